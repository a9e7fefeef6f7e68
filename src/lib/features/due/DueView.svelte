<script lang="ts">
	import { optionsOf } from '$lib/ui/options';
	import Select from '$lib/ui/Select.svelte';
	import { showSigma } from '$lib/words/sigma';
	import { thresholdsFor, type DueThresholds } from '$lib/core/due/due';
	import { dueDates } from '$lib/core/due/dates';
	import { dueCalendar } from '$lib/core/record/calendarFile';
	import FieldInput from '$lib/features/measuring/FieldInput.svelte';
	import TemperatureField from '$lib/features/measuring/TemperatureField.svelte';
	import type { NumberField } from '$lib/instruments/instrument';
	import SitePicker from '$lib/features/measuring/SitePicker.svelte';
	import ProvedReturns from '$lib/features/wayHome/ProvedReturns.svelte';
	import { comesHome } from '$lib/core/aircraft/capabilities';
	import Page from '$lib/features/shell/Page.svelte';
	import { type Aircraft, type DueSchool, type Sensor, type Site } from '$lib/schema/records';
	import { live } from '$lib/store/live.svelte';
	import { findAircraft, listBench, saveAircraft } from '$lib/store/repository';
	import { lastFindings } from '$lib/store/rows';
	import { lastSiteId } from '$lib/store/home';
	import { aircraftDue } from '$lib/core/due/aircraftDue';
	import { placedAt } from '$lib/core/due/place';
	import { gradeOf } from '$lib/core/evidence/grade';
	import { datedAhead, lastDone } from '$lib/core/evidence/inForce';
	import { inUse, listSites } from '$lib/store/tables';
	import Button from '$lib/ui/Button.svelte';
	import Empty from '$lib/ui/Empty.svelte';
	import { formatQuantity, toUnit, unitSymbol, wholeQuantity } from '$lib/words/units';
	import { units } from '$lib/ui/preferences.svelte';
	import MarkIcon from '$lib/ui/MarkIcon.svelte';
	import { download } from '$lib/ui/download';
	import { showDate } from '$lib/ui/format';
	import { GRADE_WORDS, markOfFinding } from '$lib/ui/marks';
	import { done, failed } from '$lib/ui/notify';
	import DueTable from './DueTable.svelte';
	import { dueTitle, INSTRUMENT_OF, SCHOOL_NAMES } from './fleetDue';

	/** What is due on an aircraft today, under each school, and why; what was measured on its bench. */
	let { id }: { id: string } = $props();

	const now = new Date().toISOString();
	const stored = live(
		async () => {
			const found = await lastFindings(id, now);
			return {
				aircraft: await findAircraft(id),
				done: lastDone(found, now),
				ahead: datedAhead(found, now),
				bench: await listBench(id),
			};
		},
		() => id,
	);
	const sites = live(async () => ({ all: inUse(await listSites()), last: await lastSiteId(id) }));
	let siteId = $state('');
	let temperatureC = $state<number | null>(null);

	/** Here is the place last used, not the first of the alphabet. */
	const site = $derived.by((): Site | null => {
		const { all = [], last = null } = sites.current ?? {};
		return all.find((s) => s.id === (siteId || last)) ?? null;
	});
	const aircraft = $derived(stored.current?.aircraft ?? null);
	const list = $derived(
		aircraft && stored.current
			? aircraftDue(
					aircraft,
					stored.current.done,
					site && placedAt(site, now),
					now,
					{ temperatureC },
					stored.current.ahead,
				)
			: [],
	);
	const title = $derived(aircraft ? dueTitle(list, aircraft.name) : 'Reading…');

	async function keep(change: Partial<Aircraft>, words: string) {
		if (!aircraft) return;
		const before = $state.snapshot(aircraft);
		try {
			await saveAircraft({ ...before, ...change });
			done(words, () => void saveAircraft(before));
		} catch (error) {
			failed(error);
		}
	}
	const schoolOf = (sensor: Sensor) => aircraft?.sensorSchools?.[sensor] ?? null;
	function setSchool(sensor: Sensor, school: DueSchool | null) {
		const schools = { ...aircraft?.sensorSchools };
		if (school) schools[sensor] = school;
		else delete schools[sensor];
		void keep({ sensorSchools: schools }, 'Rule saved');
	}

	/** `perKept`: what the form shows, in SI, for one of what is kept. */
	const THRESHOLDS: readonly (NumberField & { id: keyof DueThresholds; perKept?: number })[] = $derived([
		{
			kind: 'number',
			id: 'distanceKm',
			label: 'Far is more than',
			unit: 'km',
			quantity: 'distance',
			perKept: 1000,
			min: 1000,
			max: 20_000_000,
			optional: true,
			start: null,
			note: 'empty: by the sensor’s default',
		},
		{
			kind: 'number',
			id: 'heightM',
			label: 'High is more than',
			unit: 'm',
			quantity: 'height',
			min: 10,
			max: 9000,
			optional: true,
			start: null,
		},
		{
			kind: 'number',
			id: 'temperatureC',
			label: 'Warmer or colder by',
			// A difference: it has no zero to be moved.
			unit: unitSymbol('temperature', units()),
			perKept: toUnit(1, 'temperature', units()) - toUnit(0, 'temperature', units()),
			min: 1,
			max: 180,
			optional: true,
			start: null,
		},
		{
			kind: 'number',
			id: 'ageDays',
			label: 'Old is more than',
			unit: 'days',
			min: 1,
			max: 3650,
			optional: true,
			start: null,
			note: 'empty: age alone makes nothing due',
		},
	]);
	const usual = (sensor: Sensor) =>
		wholeQuantity(1000 * (thresholdsFor(sensor, undefined).distanceKm ?? 0), 'distance', units());
	function inForm({ id: key, perKept = 1 }: { id: keyof DueThresholds; perKept?: number }) {
		const kept = aircraft?.dueThresholds?.[key];
		return typeof kept === 'number' ? kept * perKept : null;
	}
	function setThreshold(key: keyof DueThresholds, value: unknown) {
		const next = { ...aircraft?.dueThresholds };
		if (typeof value === 'number') next[key] = value;
		else delete next[key];
		void keep({ dueThresholds: next }, 'Threshold saved');
	}

	const dated = $derived(aircraft && stored.current ? dueDates(aircraft, stored.current.done) : []);
	function exportCalendar() {
		try {
			download(`winglogos-due-${aircraft?.name ?? 'aircraft'}.ics`, dueCalendar(dated, now), 'text/calendar');
		} catch (error) {
			failed(error);
		}
	}
</script>

{#if stored.ready && !aircraft}
	<Page title="This aircraft is not on this device" name="Due"
		><Empty title="Nothing here"><Button href="/aircraft">All aircraft</Button></Empty></Page
	>
{:else if aircraft}
	<Page
		{title}
		name="Due: {aircraft.name}"
		lead="What changed since each sensor was last done well, and what three schools make of it."
	>
		{#snippet actions()}<Button href="/aircraft/{id}">The aircraft</Button>{/snippet}
		{#snippet margin()}
			<SitePicker {site} onsite={(next) => (siteId = next)} />
			<TemperatureField bind:value={temperatureC} label="Temperature now" />
			<h2 class="mt-5 mb-1">Three schools</h2>
			{#each list[0]?.schools ?? [] as school (school.school)}
				<p class="mt-0 mb-2 text-small">
					<b>{school.name}.</b>
					{school.argument} <span class="text-ink-2">But: {school.against}</span>
				</p>
			{/each}
			<p class="text-small text-ink-2">
				After any calibration a verification hover is asked for, and the values before stay at hand in the record.
			</p>
			<h2 class="mt-5 mb-2">Thresholds of {aircraft.name}</h2>
			<div class="grid gap-3">
				{#each THRESHOLDS as field (field.id)}
					<FieldInput
						{field}
						value={inForm(field)}
						onchange={(v) => setThreshold(field.id, typeof v === 'number' ? v / (field.perKept ?? 1) : v)}
					/>
				{/each}
			</div>
			<p class="text-note text-ink-2">
				Defaults: {usual('compass')} for the compass, {usual('accelerometer')} for the accelerometer. Some makers say 50 and
				30 miles, some pilots 50 km.
			</p>
			<Button onclick={exportCalendar} disabled={dated.length === 0}>Export the dates (iCalendar)</Button>
			{#if dated.length === 0}<p class="mt-1 text-note text-ink-2">
					Dates exist once an age is set and something was done.
				</p>{/if}
		{/snippet}

		<DueTable
			{list}
			done={stored.current?.done ?? new Map()}
			measureHref={(sensor) => (INSTRUMENT_OF[sensor] ? `/instruments/${INSTRUMENT_OF[sensor]}` : null)}
			guideHref={(sensor) => `/aircraft/${id}/guide/${sensor}`}
			historyHref={(sensor) => `/aircraft/${id}/history/${sensor}`}
		>
			{#snippet more(item)}
				<Select
					label="Rule for {item.name.toLowerCase()} on {aircraft.name}"
					value={schoolOf(item.sensor)}
					none="As the aircraft: {SCHOOL_NAMES[aircraft.school].toLowerCase()}"
					options={optionsOf(SCHOOL_NAMES)}
					onchange={(school) => setSchool(item.sensor, school)}
				/>
			{/snippet}
		</DueTable>

		{#if comesHome(aircraft)}
			<h2 class="mt-8 mb-1">The return, as it was seen</h2>
			<ProvedReturns {aircraft} />
		{/if}

		<h2 class="mt-8 mb-1">Bench book</h2>
		{#if (stored.current?.bench ?? []).length === 0}
			<p class="text-ink-2">Nothing was measured on {aircraft.name} outside a session yet.</p>
		{:else}
			<ul class="m-0 list-none p-0">
				{#each stored.current?.bench ?? [] as entry (entry.id)}
					{@const { payload } = entry}
					{#if payload.kind === 'test' || payload.kind === 'calibration'}
						<li class="hairline flex flex-wrap items-start gap-x-4 gap-y-1 py-2.5">
							<MarkIcon mark={markOfFinding(payload)} size={26} />
							<div class="min-w-0 flex-1 basis-72">
								<p class="m-0">
									{payload.kind === 'test'
										? payload.headline
										: `Heading known to ±${showSigma(payload.headingSigmaDeg)}°`}
								</p>
								<p class="m-0 text-note text-ink-2">
									{payload.task.replaceAll('-', ' ')} · {showDate(entry.at)} · {entry.by} · {payload.sourceName}{` · ${GRADE_WORDS[gradeOf(payload) ?? 'told']}`}{payload.kind ===
										'test' && payload.temperatureC !== undefined
										? ` · ${formatQuantity(payload.temperatureC, 'temperature', units())}`
										: ''}
								</p>
							</div>
						</li>
					{/if}
				{/each}
			</ul>
		{/if}
	</Page>
{/if}
