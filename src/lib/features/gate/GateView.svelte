<script lang="ts">
	import type { TaskState } from '$lib/core/gate/tasks';
	import Button from '$lib/ui/Button.svelte';
	import Gate from '$lib/ui/Gate.svelte';
	import { MARK_TEXT } from '$lib/ui/marks';
	import { showDay, showTime } from '$lib/ui/format';
	import Sheet from '$lib/features/session/Sheet.svelte';
	import { getSessionView, OWN_PAGE } from '$lib/features/session/sessionView.svelte';
	import AsideDialog from '$lib/features/checklist/AsideDialog.svelte';
	import { done, failed } from '$lib/ui/notify';
	import DecisionBox from './DecisionBox.svelte';

	const view = getSessionView();
	const gate = $derived(view.gate);
	const { aircraft, pack } = view.bundle;
	let showClear = $state(false);
	let asideOf = $state<TaskState | null>(null);

	const target = (task: TaskState) => view.taskHref(task);
	/** What may be set aside here: measurements that nobody made, and a list for another place. */
	const asidable = ({ task, mark }: TaskState) =>
		(OWN_PAGE.includes(task) && mark === 'unseen') || (task === 'indoor' && mark === 'hold');

	async function setAside(reason: string) {
		const task = asideOf;
		if (!task) return;
		try {
			await view.record(task.station, {
				kind: 'decision',
				task: 'measurement-aside',
				decision: 'aside',
				about: task.task,
				reason,
				signedBy: view.bundle.session.pilot,
				marks: [],
			});
			asideOf = null;
			done('Set aside; it stays visible with its reason');
		} catch (error) {
			failed(error);
		}
	}
</script>

<Sheet
	title={gate.headline}
	lead="Everything seen in this session, the worst first. Open any row to see or repeat it."
	name="Gate"
>
	{#snippet corner()}
		<Button href="/session/{view.bundle.session.id}/sheet">Session sheet</Button>
	{/snippet}
	{#snippet margin()}
		<h2 class="mt-0 mb-2">What changed</h2>
		{#if view.due}
			<ul class="m-0 list-none p-0">
				{#each view.due.evidence as reason (reason.code + reason.text)}
					<li class="hairline py-2">{reason.text}</li>
				{:else}
					<li class="hairline py-2 text-ink-2">Nothing on record since the last calibration.</li>
				{/each}
			</ul>
		{:else}<p class="m-0 text-ink-2">This aircraft has no compass.</p>{/if}
		{#if pack}
			<h2 class="mt-5 mb-2">Pack</h2>
			<p class="m-0">{pack.name}, {pack.cells} cells, {pack.capacityMah} mAh, {pack.cycles} cycles</p>
		{/if}
		<h2 class="mt-5 mb-2">Who decides</h2>
		<p class="m-0">
			Winglogos shows what stands in the way and what was not seen. The pilot in command decides, by the maker's manual
			and the local rules.
		</p>
	{/snippet}

	<ul class="m-0 mt-4 list-none p-0">
		{#each gate.blocking as task (task.task)}
			<li class="hairline flex flex-wrap items-start gap-x-4 gap-y-2 py-3 md:flex-nowrap">
				<Gate mark={task.mark} size={30} />
				<a href={target(task)} class="min-w-0 flex-1 basis-60 text-inherit no-underline">
					<span class="block text-[18px] font-semibold {task.mark === 'unseen' ? 'text-ink' : MARK_TEXT[task.mark]}"
						>{task.title}</span
					>
					{#if task.detail}<span class="block text-ink-2"
							>{task.detail}{#if task.entry}&nbsp;{showTime(task.entry.at)}.{/if}</span
						>{/if}
				</a>
				<div class="flex gap-1 max-md:pl-11 md:w-56 md:flex-col md:items-end">
					{#if task.next}<Button kind="quiet" class="text-left md:text-right" href={target(task)}>{task.next}</Button
						>{/if}
					{#if asidable(task)}
						<Button kind="quiet" onclick={() => (asideOf = task)}>Set aside</Button>
					{/if}
				</div>
			</li>
		{/each}
		<li class="hairline flex items-start gap-4 border-b border-rule py-3">
			<Gate mark="clear" size={24} word={false} />
			<div class="min-w-0 flex-1">
				<b>{gate.clear.length} {gate.clear.length === 1 ? 'check is' : 'checks are'} clear.</b>
				{#if showClear}
					<ul class="m-0 mt-1 pl-5">
						{#each gate.clear as task (task.task)}<li>
								<a href={target(task)}>{task.title}</a> <span class="text-ink-2">{task.detail}</span>
							</li>{/each}
					</ul>
				{/if}
			</div>
			{#if gate.clear.length > 0}
				<Button kind="quiet" aria-expanded={showClear} onclick={() => (showClear = !showClear)}
					>{showClear ? 'Hide' : 'Show all'}</Button
				>
			{/if}
		</li>
	</ul>

	<DecisionBox {gate} />
	<p class="mt-4 text-[14px] text-ink-2">
		Session of {showDay(view.bundle.session.startedAt)} with {aircraft.name}: {view.bundle.entries.length} entries on this
		device.
	</p>
</Sheet>

<AsideDialog
	open={asideOf !== null}
	title="Why is it set aside?"
	action="Set aside"
	onclose={() => (asideOf = null)}
	onreason={(reason) => void setAside(reason)}
/>
