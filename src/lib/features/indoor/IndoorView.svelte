<script lang="ts">
	import Checkbox from '$lib/ui/Checkbox.svelte';
	import TextField from '$lib/ui/TextField.svelte';
	import { z } from 'zod';
	import { keepDraft } from '$lib/ui/draft.svelte';
	import { indoorDefaults, toRestore } from '$lib/core/radio/indoor';
	import { estimateOnPack, flownFlights } from '$lib/core/propulsion/flownFlights';
	import Page from '$lib/features/shell/Page.svelte';
	import type { Aircraft } from '$lib/schema/records';
	import { live } from '$lib/store/live.svelte';
	import { lastFlights } from '$lib/store/home';
	import { findAircraft, saveAircraft } from '$lib/store/repository';
	import { listPacks } from '$lib/store/tables';
	import Button from '$lib/ui/Button.svelte';
	import Caution from '$lib/ui/Caution.svelte';
	import Empty from '$lib/ui/Empty.svelte';
	import MarkIcon from '$lib/ui/MarkIcon.svelte';
	import { showDate } from '$lib/ui/format';
	import { done, failed } from '$lib/ui/notify';

	/** Settings changed for flying under a roof, with the list of what must be put back before flying outdoors. */
	let { id }: { id: string } = $props();
	const FULL_PCT = 100;
	const stored = live(
		() => findAircraft(id),
		() => id,
	);
	const aircraft = $derived(stored.current);
	/** Instead of the low-battery return: how long each pack flies from full, by what its flights used. */
	const timers = live(
		async () => {
			const flights = flownFlights(await lastFlights(id));
			const packs = (await listPacks()).filter((pack) => pack.aircraftId === id && !pack.retired);
			return packs.map((pack) => {
				const estimate = flights.length > 0 ? estimateOnPack(pack, FULL_PCT, flights) : null;
				return {
					name: pack.name,
					minutes: estimate?.timerMin || pack.flightMin || null,
					from: estimate?.timerMin
						? `from ${estimate.used} of its flights, nine in ten last longer`
						: 'as last said of it',
				};
			});
		},
		() => id,
	);
	const shortest = $derived(
		(timers.current ?? []).reduce<number | null>(
			(least, { minutes }) => (minutes !== null && (least === null || minutes < least) ? minutes : least),
			null,
		),
	);
	const left = $derived(aircraft ? toRestore(aircraft) : []);
	const defaults = $derived(aircraft ? indoorDefaults(aircraft) : []);

	const typedSchema = z.object({ use: z.boolean(), outdoors: z.string(), indoors: z.string() });
	type Typed = z.infer<typeof typedSchema>;
	let typed = $state<Record<string, Typed>>({});
	// svelte-ignore state_referenced_locally
	const draft = keepDraft(
		`indoor-${id}`,
		() => (Object.keys(typed).length > 0 ? $state.snapshot(typed) : null),
		(kept) => {
			const found = z.record(z.string(), typedSchema).safeParse(kept);
			if (found.success) typed = found.data;
			return found.success;
		},
	);
	const usual = (setting: string) =>
		setting === 'low-battery' && shortest !== null
			? `warn only, and a timer of ${shortest} min`
			: (defaults.find((d) => d.id === setting)?.indoors ?? '');
	const row = (setting: string): Typed =>
		typed[setting] ?? {
			use: true,
			outdoors: '',
			indoors: usual(setting),
		};
	const set = (setting: string, change: Partial<Typed>) => (typed[setting] = { ...row(setting), ...change });
	const chosen = $derived(defaults.filter((d) => row(d.id).use));
	const unnoted = $derived(chosen.filter((d) => row(d.id).outdoors.trim() === ''));

	const title = $derived(
		!aircraft
			? ''
			: !aircraft.indoor
				? `Note what ${aircraft.name} is set to, before it goes under a roof`
				: left.length > 0
					? `${aircraft.name} is set for indoors: ${left.length} ${left.length === 1 ? 'setting' : 'settings'} to put back`
					: `Everything on ${aircraft.name} is back as it was outdoors`,
	);

	async function keep(indoor: Aircraft['indoor'], words: string) {
		if (!aircraft) return;
		try {
			await saveAircraft({ ...($state.snapshot(aircraft) as Aircraft), indoor });
			done(words);
		} catch (error) {
			failed(error);
		}
	}
	function begin() {
		const settings = chosen.map(({ id: setting, name }) => ({
			id: setting,
			name,
			outdoors: row(setting).outdoors.trim(),
			indoors: row(setting).indoors.trim(),
			back: false,
		}));
		draft.forget();
		void keep({ since: new Date().toISOString(), settings }, 'Kept: the list waits until everything is back');
	}
	function tick(setting: string, back: boolean) {
		if (!aircraft?.indoor) return;
		const settings = aircraft.indoor.settings.map((s) => (s.id === setting ? { ...s, back } : s));
		void keep({ ...$state.snapshot(aircraft.indoor), settings }, back ? 'Noted as put back' : 'Noted as still indoors');
	}
	const SIDES = [
		{ side: 'outdoors', label: 'outdoors, as it is now' },
		{ side: 'indoors', label: 'indoors' },
	] as const;
</script>

{#if stored.ready && !aircraft}
	<Page title="This aircraft is not on this device" name="Indoors"
		><Empty title="Nothing here"><Button href="/aircraft">All aircraft</Button></Empty></Page
	>
{:else if aircraft}
	<Page {title} name="Indoors: {aircraft.name}" lead="Indoor settings and the list that puts them back.">
		{#snippet actions()}<Button href="/aircraft/{id}">The aircraft</Button>{/snippet}
		{#snippet margin()}
			<Caution
				>Outdoors, an aircraft that hovers when the link is lost does not come home. Put the settings back before the
				next flight outside.</Caution
			>
			<h2 class="mt-5 mb-1">Why a list</h2>
			<p>
				Settings for a room are easily left in. While one of these is not back, every session of {aircraft.name} holds at
				Power-up.
			</p>
			<p class="text-small text-ink-2">
				Is there room? <a href="/instruments/ceiling">Ceiling indoors</a> adds up what it flies over. How the sticks
				will feel: <a href="/instruments/curve">Curves and rates</a>. The maker’s manual stands above these defaults.
			</p>
		{/snippet}
		{#if !aircraft.indoor}
			<ul class="m-0 mt-3 list-none p-0">
				{#each defaults as setting (setting.id)}
					{@const now = row(setting.id)}
					<li
						class="hairline grid items-end gap-x-5 gap-y-2 py-3 md:grid-cols-[minmax(0,1.3fr)_minmax(0,1fr)_minmax(0,1fr)]"
					>
						<Checkbox checked={now.use} onchange={(on) => set(setting.id, { use: on })}
							><span
								><b>{setting.name}</b><span class="block text-note text-ink-2">{setting.why}</span>
								{#if setting.id === 'low-battery'}
									{#each timers.current ?? [] as { name, minutes, from }, k (k)}
										<span class="block text-small"
											>{minutes === null
												? `${name}: no flight on record yet; time the first one`
												: `${name}: ${minutes} min from full, ${from}`}</span
										>
									{/each}
								{/if}</span
							></Checkbox
						>
						{#each SIDES as { side, label } (side)}
							<TextField
								{label}
								maxlength={80}
								disabled={!now.use}
								aria-label="{setting.name}: {label}"
								value={now[side]}
								oninput={(e) => set(setting.id, { [side]: e.currentTarget.value })}
							/>
						{/each}
					</li>
				{/each}
			</ul>
			<div class="mt-5 flex flex-wrap items-center gap-4">
				<Button kind="primary" disabled={chosen.length === 0 || unnoted.length > 0} onclick={begin}
					>It is set for indoors now</Button
				>
				{#if unnoted.length > 0}<p class="m-0 text-ink-2">
						Note first what is set outdoors: {unnoted.map(({ name }) => name.toLowerCase()).join(', ')}.
					</p>{/if}
			</div>
		{:else}
			<p class="text-ink-2">Since {showDate(aircraft.indoor.since)}. Tick each when it is set back in the aircraft.</p>
			<ul class="m-0 mt-2 list-none p-0">
				{#each aircraft.indoor.settings as setting (setting.id)}
					<li class="hairline">
						<Checkbox checked={setting.back} onchange={(on) => tick(setting.id, on)}
							><MarkIcon mark={setting.back ? 'clear' : 'hold'} size={24} word={false} />
							<span class="min-w-0 flex-1"
								>{setting.name}: back to <b>{setting.outdoors}</b>
								<span class="block text-note text-ink-2">indoors it is {setting.indoors}</span></span
							></Checkbox
						>
					</li>
				{/each}
			</ul>
			{#if left.length === 0}
				<div class="mt-5">
					<Button kind="primary" onclick={() => void keep(undefined, 'Outdoors again')}>Outdoors again</Button>
				</div>
			{/if}
		{/if}
	</Page>
{/if}
