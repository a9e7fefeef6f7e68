<script lang="ts">
	import { named } from '$lib/ui/options';
	import Select from '$lib/ui/Select.svelte';
	import Checkbox from '$lib/ui/Checkbox.svelte';
	import TextField from '$lib/ui/TextField.svelte';
	import { aircraftDue } from '$lib/core/due/aircraftDue';
	import { addDays } from 'date-fns';
	import { dayAfter } from '$lib/words/calendar';
	import { placedAt } from '$lib/core/due/place';
	import { planTomorrow, type Step } from '$lib/core/session/tomorrow';
	import { stepsCalendar } from '$lib/core/record/calendarFile';
	import Page from '$lib/features/shell/Page.svelte';
	import { loadHome } from '$lib/store/home';
	import { live } from '$lib/store/live.svelte';
	import { inUse, listPacks, listSites } from '$lib/store/tables';
	import Button from '$lib/ui/Button.svelte';
	import Empty from '$lib/ui/Empty.svelte';
	import NumberField from '$lib/ui/NumberField.svelte';
	import { download } from '$lib/ui/download';
	import { showDay, showTime } from '$lib/ui/format';
	import { preferences } from '$lib/ui/preferences.svelte';
	import { failed } from '$lib/ui/notify';

	/** The day before: what is due for which aircraft there, in which order, when to begin, and what goes into the bag. */
	const data = live(async () => ({
		home: await loadHome(),
		packs: await listPacks(),
		sites: inUse(await listSites()),
	}));
	let day = $state(dayAfter(Date.now(), 1));
	let time = $state('09:00');
	/** When the work at home begins: the evening before as a rule. */
	let homeTime = $state('18:00');
	let sameDay = $state(false);
	let siteId = $state('');
	let travelMin = $state<number | null>(30);
	let cold = $state(false);
	/** Names of the crew, separated by commas. */
	let crewNames = $state(preferences.pilot);
	const crew = $derived(
		crewNames
			.split(',')
			.map((name) => name.trim())
			.filter((name) => name !== ''),
	);
	/** Aircraft that stay at home. */
	let staying = $state<string[]>([]);

	const sites = $derived(data.current?.sites ?? []);
	const site = $derived(sites.find(({ id }) => id === siteId) ?? sites[0] ?? null);
	const startAt = $derived.by(() => {
		const at = new Date(`${day}T${time || '09:00'}`);
		return Number.isNaN(at.getTime()) ? addDays(new Date(), 1).toISOString() : at.toISOString();
	});
	const going = $derived.by(() => {
		if (!data.current) return [];
		const { home, packs } = data.current;
		const here = site && placedAt(site, startAt);
		return home.aircraft
			.filter(({ id }) => !staying.includes(id))
			.map((aircraft) => ({
				aircraft,
				due: aircraftDue(aircraft, home.done.get(aircraft.id) ?? new Map(), here, startAt),
				deferred: home.deferred.get(aircraft.id) ?? [],
				packs: packs.filter(({ aircraftId }) => aircraftId === aircraft.id),
			}));
	});
	const homeAt = $derived.by(() => {
		const at = new Date(`${day}T${homeTime || '18:00'}`);
		return Number.isNaN(at.getTime()) ? startAt : addDays(at, sameDay ? 0 : -1).toISOString();
	});
	const plan = $derived(
		planTomorrow(going, site, {
			homeAt,
			startAt,
			travelMin: travelMin ?? 0,
			cold,
			crew: crew.length > 0 ? crew : [''],
		}),
	);
	const GROUPS: { where: Step['where']; title: string }[] = [
		{ where: 'home', title: 'At home' },
		{ where: 'way', title: 'On the way' },
		{ where: 'site', title: 'Only there' },
	];
	const title = $derived(
		going.length === 0
			? 'Who goes?'
			: plan.homeDoneAt > plan.leaveAt
				? `Too little time at home: it takes until ${showTime(plan.homeDoneAt)}, and you leave at ${showTime(plan.leaveAt)}`
				: `Ready at ${showTime(startAt)}: leave at ${showTime(plan.leaveAt)}`,
	);
	function calendar() {
		try {
			const steps = plan.steps.map(({ at, minutes, aircraft, person, what, why }) => ({
				at,
				minutes,
				note: why,
				title: [aircraft, crew.length > 1 ? person : '', what].filter(Boolean).join(': '),
			}));
			download(`day-${day}.ics`, stepsCalendar(steps, new Date().toISOString()), 'text/calendar');
		} catch (error) {
			failed(error);
		}
	}
</script>

{#if !data.ready}
	<p role="status" class="px-7 py-10 text-ink-2">Reading…</p>
{:else if data.current?.home.aircraft.length === 0}
	<Page title="A day needs an aircraft" name="Tomorrow">
		<Empty title="No aircraft yet"><a href="/aircraft/new">Enter one</a></Empty>
	</Page>
{:else}
	<Page
		{title}
		name="Tomorrow"
		lead="Calibrations due at the site, scheduled back from the first takeoff. The crew works in parallel. Durations are usual ones."
	>
		{#snippet actions()}
			<Button disabled={going.length === 0} onclick={calendar}>Into a calendar</Button>
			<Button onclick={() => window.print()}>Print</Button>
		{/snippet}
		{#snippet margin()}
			<h2 class="mt-0 mb-1">Into the bag</h2>
			<ul class="m-0 list-none p-0">
				{#each plan.packing as { what, why }, k (k)}
					<li class="hairline flex gap-3 py-1.5">
						<span class="print-box" aria-hidden="true"></span>
						<span><span class="block">{what}</span><span class="block text-note text-ink-2">{why}</span></span>
					</li>
				{/each}
			</ul>
		{/snippet}
		<div class="no-print flex flex-wrap items-start gap-4">
			<TextField label="Day" type="date" bind:value={day} />
			<TextField label="Ready to take off at" type="time" bind:value={time} />
			<Select label="Site" value={site?.id} options={named(sites)} onchange={(next) => (siteId = next)} />
			<TextField label="Begin at home at" type="time" bind:value={homeTime} />
			<Checkbox bind:checked={sameDay} label="on the day itself" class="self-end" />
			<div class="min-w-56 flex-1">
				<TextField label="Crew, separated by commas" maxlength={200} bind:value={crewNames} />
			</div>
			<NumberField
				label="On the way"
				unit="min"
				min={0}
				max={1440}
				value={travelMin}
				onchange={(v) => (travelMin = v)}
			/>
		</div>
		<fieldset class="no-print m-0 mt-3 flex flex-wrap gap-x-5 border-0 p-0">
			<legend class="p-0 text-small text-ink-2">Who goes</legend>
			{#each data.current?.home.aircraft ?? [] as { id, name } (id)}
				<Checkbox
					checked={!staying.includes(id)}
					onchange={(on) => (staying = on ? staying.filter((s) => s !== id) : [...staying, id])}
					label={name}
				/>
			{/each}
			<Checkbox bind:checked={cold} label="calibrate gyro and accelerometer cold" />
		</fieldset>
		{#each GROUPS as { where, title: group } (where)}
			{@const steps = plan.steps.filter((step) => step.where === where)}
			{#if steps.length > 0}
				<h2 class="mt-5 mb-1">{group}</h2>
				<ol class="m-0 list-none p-0">
					{#each steps as { at, minutes, aircraft, person, what, why }, k (k)}
						<li class="hairline grid grid-cols-[64px_minmax(0,1fr)_72px] gap-3 py-2">
							<span class="figure-mono font-bold">{showTime(at)}</span>
							<span class="min-w-0">
								<span class="block">
									{#if aircraft}<b>{aircraft}:</b>{/if}
									{what}
									{#if person && crew.length > 1}<span class="text-ink-2">· {person}</span>{/if}
								</span>
								{#if why}<span class="block text-note text-ink-2">{why}</span>{/if}
							</span>
							<span class="num text-ink-2">{minutes} min</span>
						</li>
					{/each}
				</ol>
			{/if}
		{/each}
		<p class="mt-4 text-small text-ink-2">
			Leave at {showTime(plan.leaveAt)} on {showDay(plan.leaveAt)}. Look up the local rules of the site yourself.
		</p>
	</Page>
{/if}
