<script lang="ts">
	import { askOf, type TaskState } from '$lib/core/session/task';
	import Button from '$lib/ui/Button.svelte';
	import MarkIcon from '$lib/ui/MarkIcon.svelte';
	import { GRADE_WORDS, MARK_TEXT, MARK_WORDS } from '$lib/ui/marks';
	import { showTime } from '$lib/ui/format';

	/** One task in a station's list: its mark, what was found, how it was known, and the way to it. */
	type Props = {
		task: TaskState;
		value: string;
		current: boolean;
		/** Its title is the headline already: what it says besides is shown, where there is any. */
		headed?: boolean;
		primary: boolean;
		/** What it waits for, where that is not said for all. */
		waits?: string;
		readOnly: boolean;
		href: string | null;
		onpick: (() => void) | null;
		onaside: () => void;
	};
	let { task, value, current, headed = false, primary, waits = '', readOnly, href, onpick, onaside }: Props = $props();
	const ask = $derived(askOf(task));
	const detail = $derived(
		task.mark === 'unseen' && onpick && !/^(Asked again|Simulated|What was told|Left on)/.test(task.detail)
			? ''
			: task.detail,
	);
	const bare = $derived(
		headed && task.mark === 'unseen' && !value && !waits && !ask.advice && !(detail && detail !== value),
	);
	const settles = $derived(
		!onpick && !readOnly && task.offered !== null && !task.shut && task.mark !== 'clear' && task.mark !== 'aside',
	);
</script>

{#snippet words()}
	<MarkIcon mark={task.mark} />
	<span class="min-w-0 flex-1">
		<span
			class="block {current || !onpick ? 'font-semibold' : ''} {onpick ? '' : MARK_TEXT[task.mark]} {headed
				? 'sr-only'
				: ''}">{task.title}</span
		>
		{#if detail && detail !== value}<span class="block text-small {onpick ? MARK_TEXT[task.mark] : 'text-ink-2'}"
				>{detail}{#if task.entry && !onpick}&nbsp;{showTime(task.entry.at)}.{/if}</span
			>{/if}
		{#if waits}<span class="block text-small font-semibold">{waits}</span>{/if}
		{#if ask.advice && !onpick && !waits}<span class="block text-small font-semibold">{ask.advice}</span>{/if}
	</span>
	<span class="num pr-2 text-right text-note text-ink-2">
		{value}
		<span class="block font-sans"
			>{task.mark === 'unseen' ? '' : MARK_WORDS[task.mark]}{task.grade && task.mark !== 'aside'
				? ` · ${GRADE_WORDS[task.grade]}`
				: ''}</span
		>
	</span>
{/snippet}

<li class="flex flex-wrap items-center border-b border-fine md:flex-nowrap">
	{#if onpick}
		<button
			type="button"
			class="flex min-h-14 w-full items-center gap-4 py-2 text-left {current ? 'bg-action-soft' : 'hover:bg-fine'}"
			aria-current={current ? 'true' : undefined}
			onclick={onpick}
		>
			{@render words()}
		</button>
	{:else}
		<div class={bare ? 'sr-only' : 'flex min-h-14 min-w-0 flex-1 basis-72 items-center gap-4 py-3'}>
			{@render words()}
		</div>
		<div class="flex flex-wrap gap-1 {bare ? 'py-3' : 'max-md:w-full max-md:pb-3 max-md:pl-11'}">
			{#if href && !readOnly && !task.shut}
				<Button kind={primary ? 'primary' : 'plain'} {href}>{ask.press || 'Open'}</Button>
			{/if}
			{#if settles}<Button kind="quiet" onclick={onaside}>Set aside</Button>{/if}
		</div>
	{/if}
</li>
