<script lang="ts">
	import { crewWords } from '$lib/core/session/crew';
	import { gradeOf } from '$lib/core/evidence/grade';
	import { entryWords, taskWords } from '$lib/core/session/entryWords';
	import { stationTitle } from '$lib/core/session/stations';
	import { live } from '$lib/store/live.svelte';
	import { listPhotos } from '$lib/store/photos';
	import { exportSession } from '$lib/store/backup';
	import Button from '$lib/ui/Button.svelte';
	import MarkIcon from '$lib/ui/MarkIcon.svelte';
	import { GRADE_WORDS, MARK_WORDS } from '$lib/ui/marks';
	import { download } from '$lib/ui/download';
	import { showDate, showZoned } from '$lib/ui/format';
	import { failed } from '$lib/ui/notify';
	import { units } from '$lib/ui/preferences.svelte';
	import ChainView from '../running/ChainView.svelte';
	import HandOver from '../running/HandOver.svelte';
	import { getSessionView } from '../running/sessionView.svelte';

	const view = getSessionView();
	const bundle = $derived(view.bundle);
	const chain = $derived(bundle.chain);
	const photos = live(() => listPhotos(bundle.session.id));
	let fault = $state('');

	async function save() {
		try {
			const { data, fault: found } = await exportSession(bundle.session.id);
			fault = found ?? '';
			download(`session-${bundle.session.id}.json`, data, 'application/json');
		} catch (error) {
			failed(error);
		}
	}
</script>

<svelte:head><title>Session sheet · Winglogos</title></svelte:head>

<article class="min-h-full bg-sheet px-7 py-6 print:px-0">
	<div class="no-print mb-5 flex flex-wrap gap-3">
		<Button kind="primary" onclick={() => window.print()}>Print</Button>
		<Button class="min-h-14" onclick={save}>Export as JSON</Button>
		{#if !view.readOnly}<Button class="min-h-14" href={view.href('close')}>Go to Close</Button>{/if}
	</div>
	{#if fault}
		<p class="mb-4 border-l-4 border-hold bg-hold-soft px-3 py-2 font-semibold" role="alert">
			Saved as it stands, but it cannot be imported again: {fault}
		</p>
	{/if}
	<h1 class="m-0">{bundle.session.title}</h1>
	<p class="m-0 mt-1 text-ink-2">
		{bundle.aircraft.name}{bundle.site ? ` at ${bundle.site.name}` : ''}, {showDate(bundle.session.startedAt)}, pilot in
		command {bundle.session.pilot}{bundle.pack ? `, pack ${bundle.pack.name}` : ''}
	</p>
	{#if bundle.session.crew?.length}<p class="m-0 mt-1 text-ink-2">
			With {crewWords(bundle.session.crew)}.{bundle.session.signals ? ` Signals: ${bundle.session.signals}.` : ''}
		</p>{/if}
	{#if view.rehearsal}<p class="mt-2 mb-0 text-[18px] font-bold text-aside">
			A rehearsal: nothing on this sheet counts outside it.
		</p>{/if}
	<h2 class="mt-6 mb-1">{view.state.fly.headline}</h2>
	<table>
		<thead><tr><th scope="col">station</th><th scope="col">mark</th><th scope="col">what is not clear</th></tr></thead>
		<tbody>
			{#each view.state.stations as station (station.id)}
				<tr>
					<td>{station.title}</td>
					<td
						><span class="flex items-center gap-2"
							><MarkIcon mark={station.mark} size={22} word={false} />{MARK_WORDS[station.mark]}</span
						></td
					>
					<td
						>{station.tasks
							.filter(({ mark }) => mark !== 'clear')
							.map(({ title, mark, detail }) => (mark === 'aside' ? `${title} (${detail})` : title))
							.join('; ') || station.summary}</td
					>
				</tr>
			{/each}
		</tbody>
	</table>
	<h2 class="mt-6 mb-1">Entries</h2>
	<div class="overflow-x-auto">
		<table>
			<thead
				><tr
					><th scope="col">no.</th><th scope="col">time</th><th scope="col">station</th><th scope="col"
						>what was seen</th
					><th scope="col">how</th><th scope="col">by</th><th scope="col">hash</th></tr
				></thead
			>
			<tbody>
				{#each bundle.entries as entry (entry.id)}
					{@const grade = gradeOf(entry.payload)}
					<tr>
						<td class="num">{entry.seq + 1}</td>
						<td class="font-mono text-[14px] whitespace-nowrap">{showZoned(entry.at, entry.zoneMin)}</td>
						<td>{stationTitle(entry.station, bundle.aircraft)}</td>
						<td>{entryWords(entry, bundle.aircraft, units())}{entry.corrects ? ' · corrects an earlier entry' : ''}</td>
						<td>{grade ? GRADE_WORDS[grade] : ''}</td>
						<td>{entry.by}</td>
						<td class="font-mono text-[13px]">{entry.hash.slice(0, 10)}</td>
					</tr>
				{:else}
					<tr><td colspan="7" class="text-ink-2">Nothing recorded yet.</td></tr>
				{/each}
			</tbody>
		</table>
	</div>
	{#if photos.current?.length}
		<h2 class="mt-6 mb-1">Photos</h2>
		<div class="flex flex-wrap gap-4">
			{#each photos.current as { id, jpeg, caption, at, task = '' } (id)}
				<figure class="m-0 w-64 break-inside-avoid">
					<img src="data:image/jpeg;base64,{jpeg}" alt={caption} class="w-full rounded border border-rule" />
					<figcaption class="text-[14px] text-ink-2">
						{caption || taskWords(task, bundle.aircraft)}, {showZoned(at, undefined)}
					</figcaption>
				</figure>
			{/each}
		</div>
	{/if}
	<h2 class="mt-6 mb-1">Does the record hold?</h2>
	<ChainView {chain} head={bundle.session.head} />
	<div class="mt-4">
		<HandOver title={bundle.session.title} at={bundle.session.startedAt} head={bundle.session.head} />
	</div>
	<p class="mt-4 text-[14px] text-ink-2">
		Winglogos shows what was seen and what was not. The pilot in command decides, by the maker's manual and the local
		rules.
	</p>
</article>
