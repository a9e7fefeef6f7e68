<script lang="ts">
	import type { Snippet } from 'svelte';
	import { MediaQuery } from 'svelte/reactivity';
	import { plain } from '$lib/words/plain';
	import { headlineOf, worded } from '$lib/ui/worded';
	import type { Reason, Verdict } from '$lib/schema/common';
	import MarkIcon from '$lib/ui/MarkIcon.svelte';
	import { markOfFinding, MARK_WORDS } from '$lib/ui/marks';
	import Dialog from '$lib/ui/Dialog.svelte';
	import Button from '$lib/ui/Button.svelte';

	/** The middle and the right of a session page: the finding as headline, the work in hand, and why. */
	type Props = {
		title: string;
		name: string;
		lead?: string | undefined;
		/** What was found, where the headline is a finding: its mark stands beside it, and where the reasons are not in sight what to do stands below. */
		finding?: { verdict: Verdict; reasons: readonly Reason[] } | null | undefined;
		/** The headline is the pilot's own: it stays as written. */
		verbatim?: boolean;
		corner?: Snippet | undefined;
		margin: Snippet;
		children: Snippet;
	};
	let { title, name, lead = '', finding, verbatim = false, corner, margin, children }: Props = $props();
	const headline = $derived(
		plain(verbatim ? title : headlineOf({ headline: title, reasons: finding?.reasons ?? [] })).replace(
			/^\p{Ll}/u,
			(letter) => letter.toUpperCase(),
		),
	);
	let whyOpen = $state(false);
	const narrow = new MediaQuery('width < 64rem');
	/** The worst first: what to do about it. */
	const worst = $derived(finding?.reasons.find(({ level, next: step }) => level !== 'pass' && step));
	const next = $derived(worst && worded(worst).next);
</script>

<svelte:head><title>{name} · Winglogos</title></svelte:head>

<div class="grid min-h-full lg:grid-cols-[minmax(0,1fr)_300px]">
	<section class="min-w-0 bg-sheet px-7 py-5 max-md:px-gutter">
		<div class="flex flex-wrap items-start justify-between gap-x-4 gap-y-2">
			<div class="min-w-0 flex-1 max-md:basis-full">
				<div class="flex items-start justify-between gap-3">
					<h1 class="m-0 min-w-0" aria-live="polite">{headline}</h1>
					<Button class="no-print shrink-0 lg:hidden" onclick={() => (whyOpen = true)}>Why</Button>
				</div>
				{#if lead}<p class="m-0 mt-1 text-ink-2">{lead}</p>{/if}
				{#if next && narrow.current}<p class="m-0 mt-1 font-semibold">{next}</p>{/if}
			</div>
			<!-- On a phone these stand in one line. -->
			<div class="no-print flex gap-2 max-md:*:px-2.5 max-md:*:text-small max-md:*:whitespace-nowrap">
				{#if finding}{@const mark = markOfFinding(finding)}
					<span class="flex items-center gap-2"><MarkIcon {mark} size={34} word={false} />{MARK_WORDS[mark]}</span>{/if}
				{#if corner}{@render corner()}{/if}
			</div>
		</div>
		{@render children()}
	</section>
	<!-- Where there is no room for it, it is not drawn: an item answers sooner. -->
	{#if !narrow.current}<aside class="border-l border-rule px-5 py-5 max-lg:hidden" aria-label="Why">
			{@render margin()}
		</aside>{/if}
</div>

<Dialog bind:open={whyOpen} title="Why" side>{@render margin()}</Dialog>
