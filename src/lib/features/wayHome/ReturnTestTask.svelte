<script lang="ts">
	import Checkbox from '$lib/ui/Checkbox.svelte';
	import Quantity from '$lib/ui/Quantity.svelte';
	import { goto } from '$app/navigation';
	import AbortCard from '$lib/features/running/AbortCard.svelte';
	import Sheet from '$lib/features/running/Sheet.svelte';
	import { getSessionView } from '$lib/features/running/sessionView.svelte';
	import { inField } from '$lib/features/shell/keys';
	import { controlPlace, controlsFor } from '$lib/core/session/controls';
	import { valueOf } from '$lib/core/facts/facts';
	import { homeRequest } from '$lib/core/session/homePlan';
	import { returnTimes } from '$lib/core/return/returnTimes';
	import { PHASES } from '$lib/core/return/returnTest';
	import { bearingWord } from '$lib/words/bearing';
	import MappingDialog from '$lib/features/measuring/MappingDialog.svelte';
	import FileDrop from '$lib/ui/FileDrop.svelte';
	import { wholeQuantity } from '$lib/words/units';
	import Button from '$lib/ui/Button.svelte';
	import Caution from '$lib/ui/Caution.svelte';
	import Choice from '$lib/ui/Choice.svelte';
	import NumberField from '$lib/ui/NumberField.svelte';
	import Reasons from '$lib/ui/Reasons.svelte';
	import { done, failed } from '$lib/ui/notify';
	import { keepDraft } from '$lib/ui/draft.svelte';
	import { units } from '$lib/ui/preferences.svelte';
	import ProvedReturns from './ProvedReturns.svelte';
	import { ReturnTestState, WAITS } from './returnTestState.svelte';

	/** The return flown and watched: set off out there, a tap for each thing it does, and what to do when it does not. */
	const view = getSessionView();
	const { aircraft } = $derived(view.bundle);
	const minDistanceM = $derived(valueOf(view.facts, 'minReturnDistanceM') ?? 0);
	/** The plan with the settings, the wind and the battery in force; null while one of them is missing. */
	const plan = $derived.by(() => {
		const { pack, site } = view.bundle;
		const made = homeRequest({ facts: view.facts, pack, site, ledger: view.ledger, rate: view.rate });
		return Array.isArray(made) ? null : made.request;
	});
	const work = new ReturnTestState(() => ({
		minDistanceM: valueOf(view.facts, 'minReturnDistanceM') ?? 0,
		returnHeightM: valueOf(view.facts, 'returnAltitudeM') ?? 0,
		planned: (from) => plan && returnTimes(plan, from),
	}));
	$effect(() => () => work.dispose());
	const half = keepDraft(
		`return ${view.half}`,
		() => work.draft,
		(kept) => work.takeUp(kept),
	);
	const shut = $derived(
		view.state.stations.find(({ id }) => id === 'hover')?.tasks.find(({ page }) => page === 'return-test')?.shut ??
			(view.state.arm.open ? '' : 'The first gate, Arm, has not been answered.'),
	);
	const height = (m: number) => wholeQuantity(m, 'height', units());
	const place = $derived(controlsFor(aircraft, 'return').map(controlPlace)[0]);
	const complete = $derived(work.trigger !== null && work.distanceM !== null && work.heightM !== null && work.ready);
	const title = $derived(
		work.step === 'found' && work.finding
			? work.finding.headline
			: work.step === 'abort'
				? 'Take over'
				: work.step === 'logged'
					? 'What the log shows of its return'
					: work.step === 'running' && work.phase
						? WAITS[work.phase].wait
						: `Out beyond ${height(1.2 * minDistanceM)}, low, over clear ground`,
	);

	async function keep() {
		const payload = work.payload(view.grade(work.sourceName ? 'measured' : 'seen'));
		if (!payload) return;
		try {
			await view.record('hover', payload);
			half.forget();
			done('Recorded');
			await goto(view.href('hover'));
		} catch (error) {
			failed(error);
		}
	}
	function onkeydown(event: KeyboardEvent) {
		if (event.repeat || event.ctrlKey || event.metaKey || event.altKey || inField(event)) return;
		if (work.step !== 'running') return;
		if (event.key === ' ' || event.key === 'Enter') work.next(true);
		else if (event.key === 'Escape') work.abort();
		else return;
		event.preventDefault();
	}
</script>

<svelte:window {onkeydown} />

<Sheet
	{title}
	lead="Return test of {aircraft.name}"
	name="Return test"
	finding={work.step === 'found' ? work.finding : null}
>
	{#snippet margin()}
		<Caution
			>A finger on the switch that takes over. It may climb, turn or drop: nobody below, nobody beside you.</Caution
		>
		<h2 class="mt-5 mb-1">If it goes wrong</h2>
		<AbortCard {aircraft} />
		<h2 class="mt-5 mb-1">Seen so far</h2>
		<ProvedReturns {aircraft} />
	{/snippet}

	{#if shut && !view.rehearsal}
		<div class="mt-4 flex flex-wrap items-center gap-4 border-y border-rule py-4">
			<p class="m-0 min-w-0 flex-1 basis-60 font-semibold text-hold">{shut}</p>
			{#if !view.state.arm.open}<Button kind="primary" href={view.href('arm')}>Go to Arm</Button>
			{:else}<Button kind="primary" href={view.href('hover')}>See the ladder</Button>{/if}
		</div>
	{:else if work.step === 'before'}
		<div class="mt-4 max-w-read">
			<Caution
				>Lock was held before take-off and position hold is good; a clear line home with nothing as high as
				{height(valueOf(view.facts, 'returnAltitudeM') ?? 0)}; the way home is planned. Never over people.</Caution
			>
		</div>
		<div class="mt-4 grid max-w-2xl gap-5">
			<Choice
				label="Set off by"
				stacked
				value={work.trigger ?? ''}
				options={[
					{
						value: 'switch',
						label: 'Its switch',
						note: place ? `${place}; pressing again takes it back` : 'pressing again takes it back',
					},
					{ value: 'radio-off', label: 'The radio really off', note: 'the stronger test: after the switch was right' },
				]}
				onchange={(how) => (work.trigger = how === 'switch' ? 'switch' : 'radio-off')}
			/>
			<div class="flex flex-wrap gap-5">
				<Quantity
					label="Out by"
					of="height"
					min={0}
					max={20_000}
					value={work.distanceM}
					note="more than {height(minDistanceM)}: nearer it lands instead"
					onchange={(v) => (work.distanceM = v)}
				/>
				<Quantity
					label="Height there"
					of="height"
					min={0}
					max={500}
					value={work.heightM}
					onchange={(v) => (work.heightM = v)}
				/>
			</div>
			<Checkbox
				bind:checked={work.ready}
				label="It hovers out there, its tail toward me, and a finger rests where I take over"
				class="text-lead"
			/>
			<div><Button kind="primary" disabled={!complete} onclick={() => work.begin()}>It is set off: count</Button></div>
			<section class="hairline pt-4" aria-label="From its log">
				<h2 class="m-0">Flown already, and it has a log?</h2>
				<p class="mt-1 mb-3 text-small text-ink-2">
					The whole flight, beginning on the ground at home. The phases are taken from it; you say what set it off.
				</p>
				<FileDrop
					accept=".csv,.txt,.tsv,.log,.gpx,.kml,.geojson,.json,text/csv"
					onfile={(file) => void work.readLog(file)}
				/>
			</section>
		</div>
	{:else if work.step === 'running' && work.phase}
		<p class="figure-mono mt-5 mb-4 text-giant leading-none font-bold" role="timer">
			{work.clock.elapsedS.toFixed(0)}<span class="ml-1 text-[0.45em] font-medium text-ink-2">s</span>
		</p>
		<div class="grid max-w-2xl gap-3">
			<Button kind="primary" class="min-h-24 text-head" kbd="space" onclick={() => work.next(true)}
				>{WAITS[work.phase].done}</Button
			>
			<div class="flex flex-wrap gap-3">
				<Button class="min-h-14" onclick={() => work.next(false)}>Not seen, go on</Button>
				<Button class="min-h-14 border-hold! text-hold!" kbd="esc" onclick={() => work.abort()}
					>It does not: take over</Button
				>
			</div>
		</div>
	{:else if work.step === 'logged' && work.logged}
		{@const { seenS, distanceM, heightM, landing } = work.logged}
		<div class="mt-4 grid max-w-2xl gap-4">
			<p class="m-0 text-lead">
				Set off {height(distanceM)} out, {height(heightM)} up{landing
					? `; it came down ${height(landing.distanceM)} ${bearingWord(landing.bearingDeg)} of where it took off`
					: ''}.
			</p>
			<ul class="m-0 list-none p-0">
				{#each PHASES.filter((phase) => phase !== 'disarmed') as phase (phase)}
					<li class="hairline flex justify-between gap-4 py-2">
						<span>{WAITS[phase].done}</span>
						<b class="figure-mono">{seenS[phase] === null ? 'not in the log' : `${seenS[phase].toFixed(0)} s`}</b>
					</li>
				{/each}
			</ul>
			<NumberField
				label="Set off after"
				unit="s"
				min={0}
				max={100_000}
				value={work.setOffS}
				note="of the log; the last moment far out, unless you know it better"
				onchange={(v) => v !== null && work.setOff(v)}
			/>
			<Choice
				label="Set off by"
				value={work.trigger ?? ''}
				options={[
					{ value: 'switch', label: 'Its switch' },
					{ value: 'radio-off', label: 'The radio really off' },
				]}
				onchange={(how) => (work.trigger = how === 'switch' ? 'switch' : 'radio-off')}
			/>
			<div class="flex flex-wrap gap-3">
				<Button kind="primary" disabled={work.trigger === null} onclick={() => work.takeLog(true)}
					>Its motors went off by themselves</Button
				>
				<Button class="min-h-14" disabled={work.trigger === null} onclick={() => work.takeLog(false)}
					>They did not, or nobody saw</Button
				>
				<Button kind="quiet" class="min-h-14" onclick={() => work.repeat()}>Back</Button>
			</div>
		</div>
	{:else if work.step === 'abort'}
		<div class="mt-4 max-w-2xl border-l-4 border-hold bg-hold-soft px-5 py-4"><AbortCard {aircraft} large /></div>
		<div class="mt-5"><Button kind="primary" onclick={() => work.conclude()}>It is down and disarmed</Button></div>
	{:else if work.finding}
		<div class="mt-4 max-w-3xl"><Reasons reasons={work.finding.reasons} /></div>
		<p class="text-small text-ink-2">
			Where it came down against its mark is asked after the flight, at Fly. A landing says more the more there are.
		</p>
		<div class="mt-3 flex flex-wrap gap-3">
			{#if !view.readOnly}<Button kind="primary" onclick={() => void keep()}>Record it</Button>{/if}
			<Button class="min-h-14" onclick={() => work.repeat()}>Fly it again</Button>
			<Button kind="quiet" class="min-h-14" href={view.finderHref()}>What could it be?</Button>
		</div>
	{/if}
</Sheet>

<MappingDialog flow={work.table} />
