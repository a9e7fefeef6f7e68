<script lang="ts">
	import { flushSync } from 'svelte';
	import { taskWords } from '$lib/core/session/entryWords';
	import { live } from '$lib/store/live.svelte';
	import { listPhotos } from '$lib/store/photos';
	import Button from '$lib/ui/Button.svelte';
	import MarkIcon from '$lib/ui/MarkIcon.svelte';
	import { showZoned } from '$lib/ui/format';
	import { canShare, givePdf } from '$lib/ui/pdf';
	import { units } from '$lib/ui/preferences.svelte';
	import ChainView from '../running/ChainView.svelte';
	import ExportSession from '../running/ExportSession.svelte';
	import HandOver from '../running/HandOver.svelte';
	import { getSessionView } from '../running/sessionView.svelte';
	import { exceptionsTitle, sheetDocument, type SheetDocument } from './sheetDocument';
	import { sheetPdf } from './sheetPdf';

	/** A session as a document: half a page that decides, then what was not clear, then every entry. */
	const view = getSessionView();
	const bundle = $derived(view.bundle);
	const photos = live(() => listPhotos(bundle.session.id));
	const sheet = $derived(
		sheetDocument(bundle, {
			decided: view.decided,
			units: units(),
		}),
	);
	/** So many entries are shown at once: a day with thousands of them would hold up the page. Paper has them all. */
	const AT_ONCE = 150;
	let all = $state(false);
	const entries = $derived(all ? sheet.entries : sheet.entries.slice(0, AT_ONCE));
	let fault = $state('');
	let exporting = $state(false);
	let busy = $state(false);

	async function pdf(share: boolean) {
		busy = true;
		await givePdf(sheetPdf(sheet, photos.current ?? []), `sheet ${sheet.reference}.pdf`.replaceAll(' ', '-'), share);
		busy = false;
	}
</script>

<svelte:window onbeforeprint={() => flushSync(() => (all = true))} />
<svelte:head><title>Session sheet · Winglogos</title></svelte:head>

<article class="min-h-full bg-sheet px-7 py-6 max-sm:px-gutter print:px-0">
	<div class="no-print mb-5 flex flex-wrap gap-3">
		<Button kind="primary" disabled={busy} onclick={() => void pdf(false)}>Save as PDF</Button>
		{#if canShare()}<Button class="min-h-14" disabled={busy} onclick={() => void pdf(true)}>Share</Button>{/if}
		<Button class="min-h-14" onclick={() => window.print()}>Print</Button>
		<Button class="min-h-14" onclick={() => (exporting = true)}>Export as JSON</Button>
		{#if !view.readOnly}<Button class="min-h-14" href={view.href('close')}>Go to Close</Button>{/if}
	</div>
	{#if fault}
		<p class="mb-4 border-l-4 border-hold bg-hold-soft px-3 py-2 font-semibold" role="alert">
			Saved as it stands, but it cannot be imported again: {fault}
		</p>
	{/if}
	<div class="flex flex-wrap items-baseline justify-between gap-x-6">
		<h1 class="m-0">{sheet.title}</h1>
		<span class="font-mono text-note text-ink-2">{sheet.reference}</span>
	</div>
	<p class="m-0 mt-1 text-ink-2">{sheet.under}</p>
	{#if sheet.rehearsal}<p class="mt-2 mb-0 text-lead font-bold text-aside">
			A rehearsal: nothing on this sheet counts outside it.
		</p>{/if}
	<p class="mt-4 mb-2 text-step font-bold">{sheet.verdict}</p>
	<dl class="m-0 grid max-w-5xl gap-x-6 sm:grid-cols-[10rem_minmax(0,1fr)]">
		{#each sheet.facts as { label, value }, k (k)}
			<dt class="pt-1 text-ink-2 sm:pb-1">{label}</dt>
			<dd class="m-0 pb-1 wrap-anywhere sm:pt-1">{value}</dd>
		{/each}
	</dl>
	<h2 class="mt-6 mb-1">
		{exceptionsTitle(sheet)}
	</h2>
	<ul class="m-0 list-none p-0">
		{#each sheet.exceptions as exception, k (k)}{@render row(exception)}{/each}
	</ul>
	{#if sheet.after.length > 0}
		<h2 class="mt-6 mb-1">Found after the decision</h2>
		<p class="m-0 text-small text-ink-2">It does not change what was decided on.</p>
		<ul class="m-0 list-none p-0">
			{#each sheet.after as exception, k (k)}{@render row(exception)}{/each}
		</ul>
	{/if}
	<h2 class="mt-6 mb-1">Entries</h2>
	<ol class="m-0 list-none p-0">
		{#each entries as { no, at, station, what, how, by, hash }, k (k)}
			<li
				class="hairline grid break-inside-avoid gap-x-4 py-1.5 sm:grid-cols-[2.5rem_7.5rem_8rem_minmax(0,1fr)_7rem] print:grid-cols-[2rem_6.5rem_7rem_minmax(0,1fr)_6rem]"
			>
				<span class="num text-ink-2 max-sm:hidden print:block">{no}</span>
				<span class="font-mono text-note whitespace-nowrap"
					><span class="sm:hidden print:hidden">{no} · </span>{at}</span
				>
				<span class="text-ink-2">{station}</span>
				<span class="min-w-0 wrap-anywhere">{what}</span>
				<span class="text-note text-ink-2"
					>{[how, by].filter(Boolean).join(' · ')} <span class="font-mono text-mini">{hash}</span></span
				>
			</li>
		{:else}
			<li class="text-ink-2">Nothing recorded yet.</li>
		{/each}
	</ol>
	{#if entries.length < sheet.entries.length}
		<p class="no-print mt-2 flex flex-wrap items-center gap-3">
			<span class="text-ink-2">{entries.length} of {sheet.entries.length} entries</span>
			<Button onclick={() => (all = true)}>Show all</Button>
		</p>
	{/if}
	{#if photos.current?.length}
		<h2 class="mt-6 mb-1">Photos</h2>
		<div class="flex flex-wrap gap-4">
			{#each photos.current as { id, jpeg, caption, at, task = '' } (id)}
				<figure class="m-0 w-64 break-inside-avoid">
					<img src="data:image/jpeg;base64,{jpeg}" alt={caption} class="w-full rounded border border-rule" />
					<figcaption class="text-note text-ink-2">
						{caption || taskWords(task, bundle.aircraft)}, {showZoned(at, undefined)}
					</figcaption>
				</figure>
			{/each}
		</div>
	{/if}
	<h2 class="mt-6 mb-1">Does the record hold?</h2>
	<ChainView chain={bundle.chain} head={bundle.session.head} />
	<div class="mt-4">
		<HandOver title={bundle.session.title} at={bundle.session.startedAt} head={bundle.session.head} />
	</div>
	<p class="mt-4 text-note text-ink-2">{sheet.foot}</p>
</article>

<ExportSession
	id={bundle.session.id}
	title={bundle.session.title}
	bind:open={exporting}
	onsaved={(found) => (fault = found ?? '')}
/>

{#snippet row({ mark, word, what, why }: SheetDocument['exceptions'][number])}
	<li class="hairline flex break-inside-avoid gap-3 py-1.5">
		<span class="flex w-28 shrink-0 items-start gap-2 max-sm:w-auto"
			><MarkIcon {mark} size={22} word={false} /><span class="max-sm:sr-only">{word}</span></span
		>
		<span class="min-w-0 flex-1"
			>{what}{#if why}<span class="block text-small text-ink-2">{why}</span>{/if}</span
		>
	</li>
{/snippet}
