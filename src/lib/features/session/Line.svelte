<script lang="ts">
	import type { StationId } from '$lib/schema/records';
	import MarkIcon from '$lib/ui/MarkIcon.svelte';
	import { MARK_TEXT, MARK_WORDS } from '$lib/ui/marks';
	import { showDay } from '$lib/ui/format';
	import { getSessionView } from '../running/sessionView.svelte';

	let { current }: { current: StationId | null } = $props();
	const view = getSessionView();
	const stations = $derived(view.state.stations);
	const at = $derived(stations.findIndex(({ id }) => id === current));

	/** Only the list is scrolled: what a browser brings into view itself is where its next tab would start. */
	function intoView(node: HTMLElement, shown: boolean) {
		const list = node.parentElement;
		if (shown && list) list.scrollLeft = node.offsetLeft - (list.clientWidth - node.clientWidth) / 2;
	}
</script>

<nav aria-label="The line" class="the-line no-print h-full border-r border-rule max-lg:border-t max-lg:border-r-0">
	<div class="px-page pt-4 pb-3 max-lg:hidden">
		<p class="m-0 text-small text-ink-2">{showDay(view.bundle.session.startedAt)} · {view.bundle.aircraft.name}</p>
		<p class="m-0 font-semibold">{view.bundle.session.title}</p>
	</div>
	<ol
		class="m-0 list-none p-0 max-lg:flex max-lg:overflow-x-auto max-lg:bg-paper max-lg:pb-[env(safe-area-inset-bottom)]"
	>
		{#each stations as { id, title, mark, summary }, k (id)}
			{@const here = id === current}
			<li class="relative max-lg:shrink-0" {@attach (node) => intoView(node, here)}>
				{#if k < stations.length - 1}
					<!-- The route through the gates: solid behind, dotted ahead. -->
					<span
						class="absolute top-[40px] -bottom-[5px] left-[43px] border-l-2 max-lg:hidden {k < at
							? 'border-solid border-ink'
							: 'border-dotted border-unseen'}"
					></span>
				{/if}
				<a
					href={view.href(id)}
					aria-current={here ? 'step' : undefined}
					class="flex min-h-[52px] items-center gap-3 border-l-4 py-1 pr-3 pl-[26px] no-underline max-lg:min-w-[86px] max-lg:flex-col max-lg:justify-center max-lg:gap-0 max-lg:border-t-4 max-lg:border-l-0 max-lg:px-2 max-lg:py-1 {here
						? 'border-action bg-sheet'
						: 'border-transparent hover:bg-fine'}"
				>
					<MarkIcon {mark} size={28} word={false} />
					<span class="min-w-0">
						<span class="block text-ink max-lg:text-center max-lg:text-mini {here ? 'font-bold' : 'font-semibold'}"
							>{title}</span
						>
						<span class="sr-only">, {MARK_WORDS[mark]}</span>
						<span
							class="line-clamp-2 text-mini leading-tight max-lg:hidden {mark === 'clear'
								? 'text-ink-2'
								: MARK_TEXT[mark]}">{summary}</span
						>
					</span>
				</a>
			</li>
		{/each}
	</ol>
</nav>
