<script lang="ts">
	import Select from '$lib/ui/Select.svelte';
	import { EVENT_WORDS, SENSOR_RULES } from '$lib/core/due/rules';
	import { beforeAfter, changesOf, trendIn, trendsOf, type Trend } from '$lib/core/session/trends';
	import EarlierFigures from '$lib/features/history/EarlierFigures.svelte';
	import Page from '$lib/features/shell/Page.svelte';
	import { sensorSchema } from '$lib/schema/records';
	import { live } from '$lib/store/live.svelte';
	import { findAircraft } from '$lib/store/repository';
	import { listKept, LOOKED_BACK } from '$lib/store/earlier';
	import { trendEntries } from '$lib/store/trends';
	import Button from '$lib/ui/Button.svelte';
	import Empty from '$lib/ui/Empty.svelte';
	import Fold from '$lib/ui/Fold.svelte';
	import Reasons from '$lib/ui/Reasons.svelte';
	import LinePlot from '$lib/ui/plot/LinePlot.svelte';
	import { showNumber } from '$lib/words/figures';
	import { showDate } from '$lib/ui/format';
	import { units } from '$lib/ui/preferences.svelte';

	/** Figures of an aircraft through its sessions, with what changed in between, and whether a change did anything. */
	let { id }: { id: string } = $props();
	const DAY_MS = 86_400_000;
	const aircraft = live(
		() => findAircraft(id),
		() => id,
	);
	const stored = live(
		async () => ({
			entries: await trendEntries(id),
			sensors: await Promise.all(
				sensorSchema.options.map(async (sensor) => ({
					sensor,
					name: SENSOR_RULES[sensor].name,
					kept: (await listKept(id, sensor)).filter(({ standing }) => standing === 'in-force'),
				})),
			),
		}),
		() => id,
	);
	const trends = $derived(trendsOf(stored.current?.entries ?? []).map((trend) => trendIn(trend, units())));
	const calibrations = $derived(
		(stored.current?.sensors ?? []).flatMap(({ name, kept }) =>
			kept.map(({ at }) => ({ at, words: `${name} calibrated` })),
		),
	);
	/** Sensors calibrated more than once: their own figures through time. */
	const repeated = $derived((stored.current?.sensors ?? []).filter(({ kept }) => kept.length > 1));
	const changes = $derived(aircraft.current ? changesOf(aircraft.current, calibrations, EVENT_WORDS) : []);
	let picked = $state<string | null>(null);
	const change = $derived(changes.find(({ at, words }) => `${at} ${words}` === picked) ?? null);
	const first = $derived(trends.reduce((least, { points }) => Math.min(least, Date.parse(points[0].at)), Date.now()));
	const day = (at: string) => (Date.parse(at) - first) / DAY_MS;
	const latest = ({ points }: Trend) => points[points.length - 1];
	/** How its latest figure stands to the first good one, as a sentence. */
	function standing(trend: Trend): string {
		const { points, baseline, unit } = trend;
		const from = baseline ?? points[0];
		const by = latest(trend).value - from.value;
		const where = baseline ? 'its first good one' : 'its first';
		if (showNumber(latest(trend).value) === showNumber(from.value)) return `As at ${where}`;
		return `${`${showNumber(Math.abs(by))} ${unit}`.trim()} ${by > 0 ? 'more' : 'less'} than at ${where}`;
	}
	const title = $derived.by(() => {
		const wander = trends.find((trend) => trend.id === 'wander' && trend.points.length > 1 && trend.baseline);
		if (!wander?.baseline) return 'How it was, flight by flight';
		const by = latest(wander).value - wander.baseline.value;
		return `It wanders ${showNumber(Math.abs(by))} ${wander.unit} ${by > 0 ? 'more' : 'less'} than in its first good hover`;
	});
</script>

{#if aircraft.ready && !aircraft.current}
	<Page title="This aircraft is not on this device" name="Trends"
		><Empty title="Nothing here"><Button href="/aircraft">All aircraft</Button></Empty></Page
	>
{:else if aircraft.current && stored.ready}
	<Page
		{title}
		name="Trends: {aircraft.current.name}"
		lead="{aircraft.current.name} through its sessions, {LOOKED_BACK} flights back at most; rehearsals are left out."
	>
		{#snippet actions()}<Button href="/aircraft/{id}">The aircraft</Button>{/snippet}
		{#snippet margin()}
			<h2 class="mt-0 mb-1">What to make of it</h2>
			<p>
				One flight is weather. A habit, a cold soak, a second run, a new cover helps where flights after it are better
				than flights before it by more than they scatter.
			</p>
			<p class="text-small text-ink-2">
				A calibration’s own figures drift too: a bump, a new part, the cold. They stand below, sensor by sensor.
			</p>
		{/snippet}
		{#if trends.length === 0}
			<Empty title="Nothing has been flown or measured yet"><Button href="/session/new">Start a session</Button></Empty>
		{:else}
			<Select
				class="mt-2 max-w-xl"
				label="Before and after"
				value={picked}
				none="Choose a change"
				options={changes
					.toReversed()
					.map(({ at, words }) => ({ value: `${at} ${words}`, label: `${showDate(at)}, ${words}` }))}
				onchange={(next) => (picked = next)}
			/>
			{#each trends as trend (trend.id)}
				{@const last = latest(trend)}
				{@const found = change ? beforeAfter(trend, change.at) : null}
				<section class="hairline mt-5 pt-3" aria-label={trend.name}>
					<div class="flex flex-wrap items-baseline gap-x-6 gap-y-1">
						<h2 class="m-0">{trend.name}</h2>
						<span class="figure-mono text-step font-bold">{showNumber(last.value)} {trend.unit}</span>
						<span class="text-small text-ink-2">{showDate(last.at)}</span>
					</div>
					{#if trend.points.length > 1}
						<LinePlot
							title={standing(trend)}
							xLabel="days since {showDate(new Date(first).toISOString())}"
							yLabel={trend.unit}
							lines={[{ label: '', points: trend.points.map(({ at, value }) => ({ x: day(at), y: value })) }]}
							limits={trend.baseline
								? [
										{
											y: trend.baseline.value,
											label: `first good one, ${showNumber(trend.baseline.value)} ${trend.unit}`.trim(),
										},
									]
								: []}
							marks={change ? [{ x: day(change.at), label: change.words.slice(0, 40) }] : []}
							height={170}
						/>
					{:else}
						<p class="m-0 text-small text-ink-2">One flight so far: the next ones are held against it.</p>
					{/if}
					{#if found}
						<Reasons reasons={found.comparison.reasons} />
						{#if found.more === null}<p class="m-0 text-small text-ink-2">
								Too small beside the scatter to be settled by thirty flights more.
							</p>
						{:else if found.more > 0}<p class="m-0 font-semibold">
								{found.more} more on each side would settle a difference of this size.
							</p>{/if}
					{:else if change}
						<p class="m-0 text-small text-ink-2">Nothing on one side of this change: nothing to compare.</p>
					{/if}
				</section>
			{/each}
		{/if}
		{#each repeated as { sensor, name, kept } (sensor)}
			<Fold id={sensor} title={name} brief="{kept.length} calibrations">
				<p class="m-0 mb-2 text-small"><a href="/aircraft/{id}/history/{sensor}">One by one</a></p>
				<EarlierFigures {kept} />
			</Fold>
		{/each}
	</Page>
{/if}
