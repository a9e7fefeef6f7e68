<script lang="ts">
	import Select from '$lib/ui/Select.svelte';
	import { goto } from '$app/navigation';
	import WindCard from '$lib/features/checklist/WindCard.svelte';
	import BatteryChoice from '$lib/features/running/BatteryChoice.svelte';
	import Sheet from '$lib/features/running/Sheet.svelte';
	import { getSessionView } from '$lib/features/running/sessionView.svelte';
	import { valueOf } from '$lib/core/facts/facts';
	import { homeEntry } from '$lib/core/session/homeEntry';
	import { clock } from '$lib/words/clock';
	import { bearingWord } from '$lib/words/bearing';
	import { formatQuantity, toUnit, unitSymbol, wholeQuantity } from '$lib/words/units';
	import { savePack } from '$lib/store/repository';
	import Button from '$lib/ui/Button.svelte';
	import Caution from '$lib/ui/Caution.svelte';
	import Figure from '$lib/ui/Figure.svelte';
	import MarkIcon from '$lib/ui/MarkIcon.svelte';
	import NumberField from '$lib/ui/NumberField.svelte';
	import Reasons from '$lib/ui/Reasons.svelte';
	import Slider from '$lib/ui/Slider.svelte';
	import { keepDraft } from '$lib/ui/draft.svelte';
	import { MARK_OF_VERDICT } from '$lib/ui/marks';
	import { done, failed } from '$lib/ui/notify';
	import ProfilePlot from '$lib/ui/plot/ProfilePlot.svelte';
	import ReachPlot from '$lib/ui/plot/ReachPlot.svelte';
	import { units } from '$lib/ui/preferences.svelte';
	import ProvedReturns from './ProvedReturns.svelte';
	import PocketCard from './PocketCard.svelte';
	import { ACTION_WORDS, outcomeWords } from './homeWords';
	import { WayHomeState } from './wayHomeState.svelte';

	/** If the link fails out there: does it come home, over what, with how much left, and when must it turn back. */
	const view = getSessionView();
	const { aircraft, pack, site } = $derived(view.bundle);
	const work = new WayHomeState(view);
	keepDraft(
		`home ${view.half}`,
		() => $state.snapshot(work.tried),
		(kept) => work.take(kept),
	);
	$effect(() => {
		void [work.known, work.tried.distanceM, work.tried.heightM, work.tried.bearingDeg];
		if (view.flightsReady) void work.work();
	});
	$effect(() => () => work.dispose());
	let minutes = $state<number | null>(null);

	const height = (m: number) => wholeQuantity(m, 'height', units());
	const plan = $derived(work.plan);
	const known = $derived(Array.isArray(work.known) ? null : work.known);
	const missing = $derived(Array.isArray(work.known) ? work.known : []);
	const finding = $derived(work.finding);
	const obstacle = $derived(finding?.obstacle ?? null);
	const title = $derived.by(() => {
		if (missing.includes('pack')) return 'Which pack is flown?';
		if (missing.includes('wind')) return 'Enter the wind: the way home hangs on it';
		if (missing.includes('charge')) return `${pack?.name ?? 'The battery'} was flown: measure its charge`;
		if (missing.includes('power')) return `How long does ${aircraft.name} fly on ${pack?.name ?? 'its pack'}?`;
		if (work.problem) return 'The way home could not be reckoned';
		return finding?.headline ?? 'Reckoning the way home…';
	});
	const stands = $derived(
		(site?.obstacles ?? []).flatMap((o) => {
			if (!plan) return [];
			const off = ((o.bearingDeg - plan.worst.bearingDeg + 540) % 360) - 180;
			const aside = Math.abs(Math.sin((off * Math.PI) / 180)) * o.distanceM;
			const along = Math.cos((off * Math.PI) / 180) * o.distanceM;
			const half = (o.widthM ?? 10) / 2;
			return along > 0 && along < plan.worst.distanceM * 1.05 && aside < half + 20
				? [{ name: o.name, fromHomeM: along, halfM: half, heightM: o.heightM }]
				: [];
		}),
	);
	const actions = $derived(
		plan
			? (['return', 'land', 'hover', 'cut-motors'] as const).map((action) => ({
					action,
					set: action === known?.request.settings.action,
					words: outcomeWords(action, plan.actions[action], height),
					verdict: plan.actions[action].verdict,
				}))
			: [],
	);

	async function keepMinutes() {
		if (!pack || minutes === null) return;
		try {
			await savePack({ ...$state.snapshot(pack), flightMin: minutes });
		} catch (error) {
			failed(error);
		}
	}
	async function keep() {
		if (!finding) return;
		try {
			await view.record('return', homeEntry(finding, work.around, view.grade('calculated')));
			done('Recorded');
			await goto(view.href('return'));
		} catch (error) {
			failed(error);
		}
	}
	const AROUND: readonly number[] = [0, 45, 90, 135, 180, 225, 270, 315];
</script>

<Sheet {title} lead="Way home of {aircraft.name}" name="Way home" {finding}>
	{#snippet margin()}
		<Caution
			>Calculated from the values below. The maker’s manual and the local rules stand above it; stay where you see which
			way it points.</Caution
		>
		{#if finding}
			<h2 class="mt-5 mb-1">Why</h2>
			<Reasons reasons={finding.reasons} />
		{/if}
		<h2 class="mt-5 mb-1">Seen in the air</h2>
		<ProvedReturns {aircraft} />
		<p><Button href={view.href('hover', 'return-test')}>Test the return in the air</Button></p>
		{#if known}
			<h2 class="mt-5 mb-1">What it goes by</h2>
			<ul class="m-0 list-none p-0 text-small">
				{#each known.assumed as { label, value, unit, from: source }, k (k)}
					<li class="hairline py-1.5">
						{label}:
						<b
							>{unit === 'm/s'
								? formatQuantity(value, 'speed', units())
								: unit === 'm'
									? height(value)
									: `${value.toFixed(0)} ${unit}`}</b
						>
						<span class="block text-note text-ink-2">{source}</span>
					</li>
				{/each}
			</ul>
			<p class="text-note text-ink-2">
				Power is known to ±{(100 * known.powerSigmaLn).toFixed(0)} %; the time to turn back is so early that nine packs in
				ten are enough. A fifth of the pack is the reserve.
			</p>
		{/if}
		<p><Button href={view.href('return', 'measure-settings-audit')}>Check all its settings</Button></p>
		<p><Button href={view.href('return', 'measure-way-home')}>By figures of your own</Button></p>
	{/snippet}

	{#if work.problem}<p class="mt-4 border-l-4 border-hold bg-hold-soft px-3 py-2 font-semibold" role="alert">
			{work.problem}
		</p>{/if}
	{#if missing.includes('pack')}
		<div class="mt-4"><BatteryChoice /></div>
	{:else if missing.includes('wind')}
		<div class="mt-4"><WindCard /></div>
	{:else if missing.includes('charge')}
		<div class="mt-4">
			<Button kind="primary" href="{view.href('plan')}?item=pack-voltage">Measure the battery</Button>
		</div>
	{:else if missing.includes('power') && pack}
		<form
			class="mt-4 flex flex-wrap items-end gap-4"
			onsubmit={(event) => {
				event.preventDefault();
				void keepMinutes();
			}}
		>
			<NumberField
				label="Minutes from full to landing"
				unit="min"
				min={1}
				max={600}
				value={minutes}
				note="as you know it, hovering or flying gently; flights on record tell it better"
				onchange={(v) => (minutes = v)}
			/>
			<Button kind="primary" type="submit" disabled={minutes === null}>Keep it with {pack.name}</Button>
		</form>
	{:else if plan && finding && known}
		{@const { turnBack } = finding}
		<div class="no-print mt-3 flex flex-wrap items-start gap-x-10 gap-y-3">
			<Figure
				label="Turn back"
				value={clock(turnBack.carefulS)}
				unit="min"
				size="huge"
				note="after takeoff from {turnBack.startPct.toFixed(0)} %; on average {clock(turnBack.s)} ± {clock(
					turnBack.sigmaS,
				)}"
			/>
			<div class="flex min-w-0 flex-1 flex-wrap gap-x-8 gap-y-3 pt-1 max-md:basis-full">
				<Figure
					label="or at"
					value={turnBack.pct.toFixed(0)}
					unit="%"
					size="plain"
					note={turnBack.cellV === null ? '' : `${turnBack.cellV.toFixed(2)} V a cell at rest`}
				/>
				<Figure
					label="Lands with"
					value={plan.answer.landWithWh === null ? '–' : plan.answer.landWithWh.toFixed(0)}
					unit="Wh"
					size="plain"
					note="reserve {((known.request.pack.usableWh * known.request.pack.reservePct) / 100).toFixed(0)}"
				/>
				<Figure
					label="Clear of what stands there by"
					value={plan.answer.clearance.minM === null
						? '–'
						: toUnit(plan.answer.clearance.minM, 'height', units()).toFixed(0)}
					unit={plan.answer.clearance.minM === null ? '' : unitSymbol('height', units())}
					size="plain"
					note={plan.answer.clearance.minM === null ? 'nothing under its way' : 'min ' + height(10)}
				/>
			</div>
		</div>
		<div class="no-print mt-4 flex flex-wrap gap-x-8 gap-y-1 border-y border-rule py-3">
			<Slider
				label="Farthest that is planned"
				said={height(work.tried.distanceM)}
				min={20}
				max={2000}
				step={10}
				value={work.tried.distanceM}
				onchange={(distanceM) => (work.tried = { ...work.tried, distanceM })}
			/>
			<Slider
				label="Flying at"
				said={height(work.tried.heightM)}
				min={2}
				max={120}
				step={1}
				value={work.tried.heightM}
				onchange={(heightM) => (work.tried = { ...work.tried, heightM })}
			/>
			<Slider
				label="Return height"
				said={height(known.request.settings.returnHeightM)}
				min={0}
				max={120}
				step={1}
				value={known.request.settings.returnHeightM}
				onchange={(v) =>
					(work.tried = { ...work.tried, returnHeightM: v === valueOf(view.facts, 'returnAltitudeM') ? null : v })}
			/>
			<Slider
				label="Wind, gusts {formatQuantity(known.request.wind.gustMps, 'speed', units())}"
				said={formatQuantity(known.request.wind.speedMps, 'speed', units())}
				min={0}
				max={20}
				step={0.5}
				value={known.request.wind.speedMps}
				onchange={(windMps) => (work.tried = { ...work.tried, windMps })}
			/>
			<Select
				class="min-w-44 flex-1 basis-56"
				label="Toward"
				value={work.tried.bearingDeg}
				none="Anywhere: the worst is taken"
				options={AROUND.map((deg) => ({ value: deg, label: bearingWord(deg) }))}
				onchange={(bearingDeg) => (work.tried = { ...work.tried, bearingDeg })}
			/>
			{#if !work.asKnown}<p class="m-0 basis-full text-small text-caution">
					Tried, not as it is: <button
						type="button"
						class="min-h-11 font-semibold text-action underline"
						onclick={() => (work.tried = { ...work.tried, windMps: null, returnHeightM: null })}
						>back to today’s wind and its own setting</button
					>
				</p>{/if}
		</div>
		{#if !view.readOnly}
			<div class="no-print mt-4">
				<Button kind="primary" disabled={!work.asKnown} onclick={() => void keep()}>Record it</Button>
			</div>
		{/if}
		<div class="no-print mt-5 grid items-start gap-x-8 gap-y-6 xl:grid-cols-[minmax(0,400px)_minmax(0,1fr)]">
			<ReachPlot
				title="From inside this line it returns with its reserve"
				reach={plan.answer.reach}
				aircraft={plan.worst}
				windFromDeg={known.request.wind.fromDeg}
				obstacles={site?.obstacles ?? []}
			/>
			<section>
				<h2 class="m-0 mb-1">Without the link, from there</h2>
				<ul class="m-0 list-none p-0">
					{#each actions as { action, set, words, verdict: found }, k (k)}
						<li class="hairline flex items-start gap-3 py-2">
							<MarkIcon mark={MARK_OF_VERDICT[found]} size={24} />
							<span class="min-w-0 flex-1"
								><b>{ACTION_WORDS[action]}{set ? ', as it is set' : ''}:</b>
								{words}</span
							>
						</li>
					{/each}
				</ul>
			</section>
		</div>
		<div class="no-print mt-6">
			<ProfilePlot
				title={obstacle
					? `${obstacle.name} under its way from ${bearingWord(plan.worst.bearingDeg)}`
					: `Its way from ${bearingWord(plan.worst.bearingDeg)}, from the side`}
				path={plan.profile}
				{stands}
				worst={obstacle?.name ?? null}
			/>
		</div>
		{#if work.asKnown}<PocketCard {plan} {turnBack} {site} {height} />{/if}
	{/if}
</Sheet>
