<script lang="ts">
	import { showSigma } from '$lib/core/frames/words';
	import { verifyChain } from '$lib/core/record/chain';
	import { packSession } from '$lib/core/record/archive';
	import { stationTitle } from '$lib/core/gate/stations';
	import { formatQuantity } from '$lib/core/frames/units';
	import { checklistFor } from '$lib/core/checklist/items';
	import type { Entry } from '$lib/schema/records';
	import { readSessionFile } from '$lib/store/backup';
	import { endSession } from '$lib/store/repository';
	import Button from '$lib/ui/Button.svelte';
	import Gate from '$lib/ui/Gate.svelte';
	import { MARK_WORDS } from '$lib/ui/marks';
	import { download } from '$lib/ui/download';
	import { showDate, showNumber, showTime } from '$lib/ui/format';
	import { done, failed } from '$lib/ui/notify';
	import { units } from '$lib/ui/preferences.svelte';
	import { getSessionView } from './sessionView.svelte';

	const view = getSessionView();
	const bundle = $derived(view.bundle);
	const chain = $derived(verifyChain(bundle.entries, bundle.session.head));
	const items = $derived(new Map(checklistFor(bundle.aircraft).map((item) => [item.id, item])));

	function words(entry: Entry): string {
		const { payload } = entry;
		switch (payload.kind) {
			case 'check': {
				const item = items.get(payload.task);
				const value =
					payload.value === null
						? ''
						: ` ${item?.limit?.quantity ? formatQuantity(payload.value, item.limit.quantity, units()) : `${payload.value} ${payload.unit}`}`;
				const outcome = { done: 'right', failed: 'not as it should be', aside: 'set aside' }[payload.outcome];
				return `${item?.text ?? payload.task}:${value} ${outcome}${payload.reason ? ` (${payload.reason})` : ''}`;
			}
			case 'calibration':
				return `Compass ${payload.accepted === 'accepted' ? 'accepted' : 'kept aside'}: heading ±${showSigma(payload.headingSigmaDeg)}°, offsets ${payload.hardIronUt.map((v) => v.toFixed(1)).join(', ')} µT, from ${payload.sourceName}`;
			case 'test':
				return `${payload.headline} (${payload.figures
					.filter(({ value }) => value !== null)
					.map(({ label, value, unit }) => `${label} ${showNumber(value ?? 0)} ${unit}`.trim())
					.join('; ')}), from ${payload.sourceName}`;
			case 'wind':
				return `Wind from ${payload.fromDeg.toFixed(0)}°, ${formatQuantity(payload.speedMps, 'speed', units())}, gusts ${formatQuantity(payload.gustMps, 'speed', units())}`;
			case 'decision':
				return payload.task === 'flight'
					? `Decision: ${payload.decision === 'fly' ? 'to fly' : 'to hold the flight'}, signed ${payload.signedBy}${payload.reason ? `: ${payload.reason}` : ''}`
					: `${payload.about} set aside, signed ${payload.signedBy}: ${payload.reason}`;
		}
	}
	async function save() {
		try {
			download(
				`session-${bundle.session.id}.json`,
				packSession(await readSessionFile(bundle.session.id)),
				'application/json',
			);
		} catch (error) {
			failed(error);
		}
	}
	async function end() {
		await endSession(bundle.session.id);
		done('The session is ended; it stays in the logbook');
	}
</script>

<svelte:head><title>Session sheet · Winglogos</title></svelte:head>

<article class="min-h-full bg-sheet px-7 py-6 print:px-0">
	<div class="no-print mb-5 flex flex-wrap gap-3">
		<Button kind="primary" onclick={() => window.print()}>Print</Button>
		<Button class="min-h-14" onclick={save}>Export as JSON</Button>
		{#if bundle.session.endedAt === null}<Button class="min-h-14" onclick={end}>End the session</Button>{/if}
	</div>
	<h1 class="m-0">{bundle.session.title}</h1>
	<p class="m-0 mt-1 text-ink-2">
		{bundle.aircraft.name} at {bundle.site.name}, {showDate(bundle.session.startedAt)}, pilot in command {bundle.session
			.pilot}{bundle.pack ? `, pack ${bundle.pack.name}` : ''}
	</p>
	<h2 class="mt-6 mb-1">{view.gate.headline}</h2>
	<table>
		<thead><tr><th scope="col">station</th><th scope="col">mark</th><th scope="col">what is not clear</th></tr></thead>
		<tbody>
			{#each view.gate.stations as station (station.id)}
				<tr>
					<td>{station.title}</td>
					<td
						><span class="flex items-center gap-2"
							><Gate mark={station.mark} size={22} word={false} />{MARK_WORDS[station.mark]}</span
						></td
					>
					<td
						>{station.tasks
							.filter(({ mark }) => mark !== 'clear')
							.map(({ title }) => title)
							.join('; ')}</td
					>
				</tr>
			{/each}
		</tbody>
	</table>
	<h2 class="mt-6 mb-1">Entries</h2>
	<table>
		<thead
			><tr
				><th scope="col">time</th><th scope="col">station</th><th scope="col">what was seen</th><th scope="col">by</th
				><th scope="col">hash</th></tr
			></thead
		>
		<tbody>
			{#each bundle.entries as entry (entry.id)}
				<tr>
					<td class="font-mono text-[14px]">{showTime(entry.at)}</td>
					<td>{stationTitle(entry.station)}</td>
					<td>{words(entry)}{entry.corrects ? ' · corrects an earlier entry' : ''}</td>
					<td>{entry.by}</td>
					<td class="font-mono text-[13px]">{entry.hash.slice(0, 10)}</td>
				</tr>
			{:else}
				<tr><td colspan="5" class="text-ink-2">Nothing recorded yet.</td></tr>
			{/each}
		</tbody>
	</table>
	<p class="mt-4 text-[15px] {chain.ok ? '' : 'font-semibold text-hold'}">
		{chain.ok
			? `The chain of ${chain.entries} entries holds; its last hash is ${bundle.session.head}.`
			: `The chain does not hold: entry ${chain.broken[0].seq + 1}, ${chain.broken[0].what}.`}
	</p>
	<p class="text-[14px] text-ink-2">
		Winglogos shows what was seen and what was not. The pilot in command decides, by the maker's manual and the local
		rules.
	</p>
</article>
