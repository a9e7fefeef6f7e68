<script lang="ts">
	import Select from '$lib/ui/Select.svelte';
	import TextField from '$lib/ui/TextField.svelte';
	import { begunLarge } from '$lib/words/begun';
	import { goto } from '$app/navigation';
	import Page from '$lib/features/shell/Page.svelte';
	import { live } from '$lib/store/live.svelte';
	import { startSession } from '$lib/store/repository';
	import { flownAt, lastSiteId } from '$lib/store/home';
	import { OCCASION_WORDS, suggestOccasion, VENUE_WORDS } from '$lib/core/session/occasion';
	import { toRestore } from '$lib/core/radio/indoor';
	import { PACK_STATE_WORDS } from '$lib/ui/packWords';
	import { z } from 'zod';
	import { CREW_WORDS } from '$lib/core/session/crew';
	import { crewSchema, type Crew, type Occasion, type Venue } from '$lib/schema/records';
	import { inUse, listAircraft, listPacks, listSites } from '$lib/store/tables';
	import Button from '$lib/ui/Button.svelte';
	import Choice from '$lib/ui/Choice.svelte';
	import Empty from '$lib/ui/Empty.svelte';
	import { failed } from '$lib/ui/notify';
	import { keepDraft, sameShape } from '$lib/ui/draft.svelte';
	import { prefer, preferences } from '$lib/ui/preferences.svelte';

	const data = live(async () => ({
		aircraft: inUse(await listAircraft()),
		sites: inUse(await listSites()),
		packs: await listPacks(),
		last: await lastSiteId(),
	}));

	let aircraftId = $state('');
	let siteId = $state('');
	let packId = $state('none');
	let title = $state('');
	let kind = $state<'flight' | 'rehearsal'>('flight');
	let pilot = $state(preferences.pilot);
	/** As suggested where it was not chosen. */
	let occasion = $state<Occasion | ''>('');
	let venue = $state<Venue | ''>('');
	/** Who else is there; a row without a name is nobody. */
	let crew = $state<{ name: string; role: Crew['role'] }[]>([]);
	let signals = $state('');
	let nameless = $state(false);

	const draft = keepDraft(
		'session',
		() =>
			title.trim() || aircraftId || siteId || crew.length > 0
				? { aircraftId, siteId, packId, title, kind, pilot, occasion, venue, signals, crew: $state.snapshot(crew) }
				: null,
		(kept) => {
			const found = sameShape(kept, { aircraftId, siteId, packId, title, kind, pilot, occasion, venue, signals });
			if (!found) return false;
			const named = z
				.object({ crew: z.array(z.object({ name: z.string(), role: crewSchema.shape.role })) })
				.safeParse(kept);
			if (named.success) crew = named.data.crew;
			({ aircraftId, siteId, packId, title, kind, pilot, occasion, venue, signals } = {
				aircraftId,
				siteId,
				packId,
				title,
				kind,
				pilot,
				occasion,
				venue,
				signals,
				...found,
			});
			return true;
		},
	);

	/** The first of these that can be chosen: what a draft or the last session names may be out of use since. */
	const among = (rows: readonly { id: string }[] = [], ...wanted: readonly (string | null | undefined)[]): string =>
		wanted.find((id) => rows.some((row) => row.id === id)) ?? rows[0]?.id ?? '';
	const chosenAircraft = $derived(among(data.current?.aircraft, aircraftId));
	/** Here is where somebody last was, not the first of the alphabet. */
	const chosenSite = $derived(among(data.current?.sites, siteId, data.current?.last));
	const now = new Date().toISOString();
	const flown = live(
		async () => (chosenAircraft ? await flownAt(chosenAircraft) : null),
		() => chosenAircraft,
	);
	const aircraft = $derived(data.current?.aircraft.find(({ id }) => id === chosenAircraft) ?? null);
	const suggested = $derived(
		aircraft ? suggestOccasion(aircraft, flown.current ?? null, now) : { occasion: 'routine' as const, because: '' },
	);
	const chosenOccasion = $derived(occasion || suggested.occasion);
	/** Set for a room until everything is back. */
	const chosenVenue = $derived(venue || (aircraft && toRestore(aircraft).length > 0 ? 'roof' : 'open'));
	const packs = $derived(
		(data.current?.packs ?? []).filter((pack) => pack.aircraftId === chosenAircraft && !pack.retired),
	);
	const chosenPack = $derived(packs.find(({ id }) => id === packId) ?? null);

	const words = <K extends string>(of: Record<K, { label: string; note: string }>) =>
		(Object.keys(of) as K[]).map((value) => ({ value, ...of[value] }));
	/** What it is called where nobody says what it is for. */
	const usualTitle = $derived(
		[
			kind === 'rehearsal'
				? 'Rehearsal'
				: chosenOccasion === 'routine'
					? 'Flight'
					: OCCASION_WORDS[chosenOccasion].label,
			data.current?.sites.find(({ id }) => id === chosenSite)?.name,
		]
			.filter(Boolean)
			.join(', '),
	);

	async function start(event: SubmitEvent) {
		event.preventDefault();
		nameless = pilot.trim() === '';
		if (nameless) return;
		try {
			prefer({ pilot: pilot.trim() });
			const session = await startSession({
				kind,
				title: title.trim() || usualTitle,
				aircraftId: chosenAircraft,
				siteId: chosenSite,
				packId: packs.some(({ id }) => id === packId) ? packId : null,
				pilot: pilot.trim(),
				occasion: chosenOccasion,
				venue: chosenVenue,
				crew: $state.snapshot(crew).flatMap(({ name, role }) => (name.trim() ? [{ name: name.trim(), role }] : [])),
				...(signals.trim() ? { signals: signals.trim() } : {}),
			});
			draft.forget();
			await goto(`/session/${session.id}/plan`);
		} catch (error) {
			failed(error);
		}
	}
	const ROLES = crewSchema.shape.role.options.map((value) => ({ value, label: CREW_WORDS[value] }));
</script>

<Page title="Who flies what, where?" name="New session">
	{#if data.ready && data.current}
		{#if data.current.aircraft.length === 0 || data.current.sites.length === 0}
			<Empty title="A session needs an aircraft and a site">
				<div class="flex flex-wrap gap-3">
					{#if data.current.aircraft.length === 0}<Button kind="primary" href="/aircraft/new">Enter an aircraft</Button
						>{/if}
					{#if data.current.sites.length === 0}<Button kind="primary" href="/sites">Enter a site</Button>{/if}
				</div>
			</Empty>
		{:else}
			<form class="grid max-w-3xl gap-6" onsubmit={start}>
				<Choice
					label="Is it for real?"
					value={kind}
					options={[
						{ value: 'flight', label: 'A flight session', note: 'simulated data do not count in it' },
						{
							value: 'rehearsal',
							label: 'A rehearsal',
							note: 'with the practice aircraft; nothing of it counts outside',
						},
					]}
					onchange={(next) => (kind = next)}
				/>
				<Choice
					label="Aircraft"
					value={chosenAircraft}
					options={data.current.aircraft.map(({ id, name, description }) => ({
						value: id,
						label: name,
						note: description,
					}))}
					onchange={(id) => ([aircraftId, occasion] = [id, ''])}
				/>
				<div>
					<Choice
						label="What lies before this flight?"
						value={chosenOccasion}
						options={words(OCCASION_WORDS)}
						onchange={(next) => (occasion = next)}
					/>
					{#if suggested.because}<p class="m-0 mt-1 text-note text-ink-2">{begunLarge(suggested.because)}.</p>{/if}
				</div>
				<Choice
					label="Site"
					value={chosenSite}
					options={data.current.sites.map(({ id, name }) => ({ value: id, label: name }))}
					onchange={(id) => (siteId = id)}
				/>
				<Choice
					label="Over what?"
					value={chosenVenue}
					options={words(VENUE_WORDS)}
					onchange={(next) => (venue = next)}
				/>
				{#if packs.length > 0}
					<Choice
						label="Pack"
						value={packs.some(({ id }) => id === packId) ? packId : 'none'}
						options={[
							...packs.map(({ id, name, cycles, state }) => ({
								value: id,
								label: name,
								note: `${cycles} cycles${state && state !== 'charged' ? `, ${PACK_STATE_WORDS[state].toLowerCase()}` : ''}`,
							})),
							{ value: 'none', label: 'Not said', note: '' },
						]}
						onchange={(id) => (packId = id)}
					/>
				{/if}
				{#if chosenPack?.state && chosenPack.state !== 'charged'}
					<p class="m-0 font-semibold text-caution" role="status">
						{chosenPack.name} is marked as {PACK_STATE_WORDS[chosenPack.state].toLowerCase()}: charge it, or take
						another.
					</p>
				{/if}
				<fieldset class="m-0 border-0 p-0">
					<legend class="mb-1 p-0 text-small text-ink-2">Who else is there, if anybody</legend>
					{#each crew as person, index (index)}
						<div class="mb-2 flex flex-wrap gap-3">
							<div class="min-w-44 flex-1">
								<TextField quiet label="Name of person {index + 1}" maxlength={120} bind:value={person.name} />
							</div>
							<Select
								quiet
								label="Role of person {index + 1}"
								value={person.role}
								options={ROLES}
								onchange={(role) => (person.role = role)}
							/>
						</div>
					{/each}
					<Button kind="quiet" disabled={crew.length >= 12} onclick={() => crew.push({ name: '', role: 'spotter' })}
						>Add a person</Button
					>
					{#if crew.length > 0}
						<div class="mt-2">
							<TextField
								label="Signals that were agreed: stop, people near, land"
								maxlength={400}
								bind:value={signals}
							/>
						</div>
					{/if}
				</fieldset>
				<div class="grid gap-4 md:grid-cols-2">
					<TextField label="What it is for" maxlength={120} placeholder={usualTitle} bind:value={title} />
					<TextField label="Pilot in command" maxlength={120} bind:value={pilot} />
				</div>
				{#if nameless}<p class="m-0 font-semibold text-hold" role="alert">
						Still needed: the name of the pilot in command.
					</p>{/if}
				<div>
					<Button kind="primary" type="submit"
						>{kind === 'rehearsal' ? 'Start the rehearsal' : 'Start the session'}</Button
					>
				</div>
			</form>
		{/if}
	{:else}
		<p class="text-ink-2" role="status">Reading what is on this device…</p>
	{/if}
</Page>
