<script lang="ts">
	import TextField from '$lib/ui/TextField.svelte';
	import Quantity from '$lib/ui/Quantity.svelte';
	import { page } from '$app/state';
	import { directGeodesic, inverseGeodesic, toLocal } from '$lib/core/earth/geodesy';
	import { readPosition } from '$lib/core/earth/readPosition';
	import { waypointsGpx } from '$lib/core/record/waypoints';
	import { searchPlaces, type SearchPlace } from '$lib/core/return/lost';
	import { controlPlace, controlsFor } from '$lib/core/session/controls';
	import { bearingWord } from '$lib/words/bearing';
	import { toUnit, unitSymbol, wholeQuantity } from '$lib/words/units';
	import Page from '$lib/features/shell/Page.svelte';
	import { hereNow } from '$lib/sources/devicePosition';
	import { live } from '$lib/store/live.svelte';
	import { appendEntry, loadSession } from '$lib/store/repository';
	import { hasPart } from '$lib/core/aircraft/capabilities';
	import { gatherFacts, valueOf } from '$lib/core/facts/facts';
	import Button from '$lib/ui/Button.svelte';
	import Caution from '$lib/ui/Caution.svelte';
	import NumberField from '$lib/ui/NumberField.svelte';
	import { download } from '$lib/ui/download';
	import { keepDraft } from '$lib/ui/draft.svelte';
	import { done, failed } from '$lib/ui/notify';
	import NorthMap, { type MapMark } from '$lib/ui/plot/NorthMap.svelte';
	import { units } from '$lib/ui/preferences.svelte';
	import { z } from 'zod';

	/** It did not come back: where to search, from where it was last, the wind, and where you stand. */
	const sessionId = page.url.searchParams.get('session');
	const stored = live(async () => (sessionId ? loadSession(sessionId) : null));
	const bundle = $derived(stored.current ?? null);
	const facts = $derived(bundle && gatherFacts(bundle));
	const wind = $derived.by(() => {
		if (!facts) return null;
		const [fromDeg, speedMps, gustMps] = [
			valueOf(facts, 'windFromDeg'),
			valueOf(facts, 'windMps'),
			valueOf(facts, 'gustMps'),
		];
		return fromDeg === null || speedMps === null || gustMps === null ? null : { fromDeg, speedMps, gustMps };
	});
	const schema = z.object({
		pasted: z.string(),
		outM: z.number().nullable(),
		towardDeg: z.number().nullable(),
		heightM: z.number().nullable(),
		speedMps: z.number().nullable(),
		courseDeg: z.number().nullable(),
		sinceS: z.number().nullable(),
	});
	let told = $state<z.infer<typeof schema>>({
		pasted: '',
		outM: null,
		towardDeg: null,
		heightM: null,
		speedMps: null,
		courseDeg: null,
		sinceS: null,
	});
	keepDraft(
		`lost ${sessionId ?? ''}`,
		() => $state.snapshot(told),
		(kept) => {
			const read = schema.safeParse(kept);
			if (read.success) told = read.data;
		},
	);
	let here = $state.raw<{ latDeg: number; lonDeg: number; accuracyM: number } | null>(null);
	let asking = $state(false);

	const read = $derived.by(() => {
		if (told.pasted.trim() === '') return null;
		try {
			return { ...readPosition(told.pasted), problem: '' };
		} catch (error) {
			return { latDeg: 0, lonDeg: 0, problem: error instanceof Error ? error.message : String(error) };
		}
	});
	/** Where it was last: pasted, or so far from the home mark. */
	const last = $derived.by(() => {
		if (read && !read.problem) return { latDeg: read.latDeg, lonDeg: read.lonDeg };
		const site = bundle?.site;
		return site && told.outM !== null && told.towardDeg !== null
			? directGeodesic(site.latDeg, site.lonDeg, told.towardDeg, told.outM)
			: null;
	});
	const places = $derived(
		last
			? searchPlaces({
					...last,
					heightM: told.heightM ?? 0,
					sinceS: told.sinceS ?? 0,
					speedMps: told.speedMps ?? 0,
					courseDeg: told.courseDeg,
					wind,
					descentMps: (facts && valueOf(facts, 'descentMps')) ?? 1,
				})
			: [],
	);
	const WHAT: Record<SearchPlace['what'], string> = {
		fell: 'It fell',
		drifted: 'It came down by itself, carried by the wind',
		last: 'Where it was last',
	};
	const from = $derived(here ?? bundle?.site ?? null);
	const height = (m: number) => wholeQuantity(m, 'height', units());
	const way = ({ latDeg, lonDeg }: SearchPlace) => {
		if (!from) return '';
		const { distanceM, bearingDeg } = inverseGeodesic(from.latDeg, from.lonDeg, latDeg, lonDeg);
		return `${height(distanceM)} ${bearingWord(bearingDeg)}, ${bearingDeg.toFixed(0)}°, from ${here ? 'here' : 'the home mark'}`;
	};
	const local = $derived(
		last ? places.map((place) => ({ ...place, ...toLocal(last, place.latDeg, place.lonDeg) })) : [],
	);
	const mapM = $derived(
		Math.max(30, ...local.map(({ northM, eastM, radiusM }) => Math.max(Math.abs(northM), Math.abs(eastM)) + radiusM)),
	);
	const marks = $derived(
		local.map(({ what, northM, eastM }): MapMark => ({
			north: northM,
			east: eastM,
			label: { fell: 'fell', drifted: 'drifted', last: 'last seen' }[what],
			shape: what === 'last' ? 'cross' : 'dot',
		})),
	);
	const beeper = $derived(bundle ? controlsFor(bundle.aircraft, 'beeper').map(controlPlace)[0] : undefined);
	const name = $derived(bundle?.aircraft.name ?? 'the aircraft');
	const title = $derived(
		places.length === 0
			? `Where was ${name} last?`
			: places[0].distanceM < 1
				? 'It lies where it was last, as far as is told'
				: `If it fell, it lies ${height(places[0].distanceM)} ${bearingWord(places[0].bearingDeg)} of where it was last`,
	);

	async function stand() {
		asking = true;
		try {
			here = await hereNow();
		} catch (error) {
			failed(error);
		} finally {
			asking = false;
		}
	}
	function gpx() {
		download(
			'search.gpx',
			waypointsGpx(
				places.map((place) => ({
					...place,
					name: WHAT[place.what],
					note: `search ${place.radiusM.toFixed(0)} m around`,
				})),
			),
			'application/gpx+xml',
		);
	}
	async function note() {
		if (!bundle || !last) return;
		try {
			await appendEntry(bundle.session.id, 'fly', bundle.session.pilot, {
				kind: 'flight',
				task: 'flying',
				what: 'note',
				landAfterMin: null,
				note: `Lost. Last at ${last.latDeg.toFixed(6)}, ${last.lonDeg.toFixed(6)}, ${height(told.heightM ?? 0)} up`,
			});
			done('Noted in the session');
		} catch (error) {
			failed(error);
		}
	}
</script>

<Page
	{title}
	name="It is lost"
	lead="From the screen, the recording, or where you saw it go down. Write it down before anything is switched off."
>
	{#snippet margin()}
		<h2 class="mt-5 mb-1">First</h2>
		<ol class="m-0 list-decimal pl-5">
			<li class="py-1">Leave the radio on: the last link may still answer.</li>
			{#if !bundle || hasPart(bundle.aircraft, 'beeper')}<li class="py-1">
					Beeper{beeper ? `: ${beeper}` : ''}; stop, listen, walk on.
				</li>{/if}
			<li class="py-1">The recording of the picture shows height, distance and arrow home at its end.</li>
			<li class="py-1">Two persons: one walks the line, one keeps the direction from where you stood.</li>
		</ol>
	{/snippet}
	<div class="mb-5 max-w-read">
		<Caution
			>Nobody climbs for it, wades for it, or crosses a road or a rail after it. Ask before you enter land. A crashed
			pack may burn hours later: approach from upwind, motors may start.</Caution
		>
	</div>
	<div class="no-print grid max-w-3xl gap-4">
		<div class="flex flex-wrap items-end gap-4">
			<div class="min-w-60 flex-1">
				<TextField
					label="Last position, as it is shown"
					placeholder="54.2113, -3.0642"
					maxlength={120}
					bind:value={told.pasted}
				/>
			</div>
			{#if bundle?.site}
				<Quantity
					label="or from the home mark"
					of="height"
					min={0}
					max={50_000}
					value={told.outM}
					onchange={(v) => (told.outM = v)}
				/>
				<NumberField
					label="toward"
					unit="°"
					min={0}
					max={360}
					value={told.towardDeg}
					onchange={(v) => (told.towardDeg = v)}
				/>
			{/if}
		</div>
		{#if read?.problem}<p class="m-0 font-semibold text-hold" role="alert">{read.problem}</p>{/if}
		<div class="flex flex-wrap gap-4">
			<Quantity
				label="Height then"
				of="height"
				min={0}
				max={5000}
				value={told.heightM}
				onchange={(v) => (told.heightM = v)}
			/>
			<Quantity
				label="Speed then"
				of="speed"
				min={0}
				max={100}
				value={told.speedMps}
				onchange={(v) => (told.speedMps = v)}
			/>
			<NumberField
				label="Flying toward"
				unit="°"
				min={0}
				max={360}
				value={told.courseDeg}
				onchange={(v) => (told.courseDeg = v)}
			/>
			<NumberField
				label="Seconds it flew on unseen"
				unit="s"
				min={0}
				max={3600}
				value={told.sinceS}
				onchange={(v) => (told.sinceS = v)}
			/>
		</div>
		<p class="m-0 text-small text-ink-2">
			{wind
				? `Wind of today: from ${wind.fromDeg.toFixed(0)}°, ${toUnit(wind.speedMps, 'speed', units()).toFixed(1)} ${unitSymbol('speed', units())}.`
				: 'No wind is entered: nothing is carried.'}
		</p>
	</div>
	{#if places.length > 0}
		<div class="mt-5 grid items-start gap-x-8 gap-y-5 md:grid-cols-[minmax(0,400px)_minmax(0,1fr)]">
			<NorthMap
				title="Where it may lie, by what it did"
				label="Places to search: {places
					.map((p) => `${WHAT[p.what]}, ${p.radiusM.toFixed(0)} metres around`)
					.join('; ')}"
				reachM={1.05 * mapM}
				{marks}
				windFromDeg={wind?.fromDeg ?? null}
				note="North up. If it went that way, its circle holds it; how wide it is is judged, not measured."
			>
				{#snippet children(map)}
					{#each local as { what, northM, eastM, radiusM }, k (k)}
						{@const at = map.at(northM, eastM)}
						<circle
							cx={at.x}
							cy={at.y}
							r={map.px(radiusM)}
							fill="var(--action-soft)"
							fill-opacity="0.5"
							stroke="var(--action)"
							stroke-width="2"
							stroke-dasharray={what === 'last' ? '4 4' : undefined}
						/>
					{/each}
				{/snippet}
			</NorthMap>
			<div>
				<ol class="m-0 list-none p-0">
					{#each places as place, k (k)}
						<li class="hairline py-2">
							<b>{WHAT[place.what]}:</b>
							{height(place.radiusM)} around
							<span class="figure-mono">{place.latDeg.toFixed(6)}, {place.lonDeg.toFixed(6)}</span>
							{#if way(place)}<span class="block text-ink-2">{way(place)}</span>{/if}
						</li>
					{/each}
				</ol>
				<div class="no-print mt-4 flex flex-wrap gap-3">
					<Button class="min-h-14" disabled={asking} onclick={() => void stand()}
						>{asking ? 'Asking this device…' : 'From where I stand'}</Button
					>
					<Button class="min-h-14" onclick={gpx}>Save as GPX</Button>
					<Button class="min-h-14" onclick={() => window.print()}>Print</Button>
					{#if bundle && bundle.session.endedAt === null}<Button class="min-h-14" onclick={() => void note()}
							>Note it in the session</Button
						>{/if}
				</div>
			</div>
		</div>
	{/if}
</Page>
