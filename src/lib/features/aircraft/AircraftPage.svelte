<script lang="ts">
	import { optionsOf } from '$lib/ui/options';
	import Select from '$lib/ui/Select.svelte';
	import Fields from '$lib/ui/Fields.svelte';
	import { refusal } from '$lib/ui/fields';
	import type { Draft } from '$lib/schema/common';
	import { AIRCRAFT_FIELDS, NAME } from './fields';
	import { goto } from '$app/navigation';
	import { toRestore } from '$lib/core/radio/indoor';
	import { aircraftDue } from '$lib/core/due/aircraftDue';
	import { placedAt } from '$lib/core/due/place';
	import { datedAhead, lastDone } from '$lib/core/evidence/inForce';
	import { lastSite } from '$lib/store/home';
	import Page from '$lib/features/shell/Page.svelte';
	import { KIND_DEFAULTS, newAircraft } from '$lib/schema/newAircraft';
	import { aircraftSchema, type Aircraft, type AircraftKind } from '$lib/schema/records';
	import { live } from '$lib/store/live.svelte';
	import { findAircraft, saveAircraft } from '$lib/store/repository';
	import { lastFindings } from '$lib/store/rows';
	import { newId } from '$lib/store/newId';
	import { listAircraft } from '$lib/store/tables';
	import { keepDraft, keptFields } from '$lib/ui/draft.svelte';
	import { refuseInvalid } from '$lib/ui/refuse';
	import Button from '$lib/ui/Button.svelte';
	import Empty from '$lib/ui/Empty.svelte';
	import Fold from '$lib/ui/Fold.svelte';
	import MarkIcon from '$lib/ui/MarkIcon.svelte';
	import Unreadable from '$lib/ui/Unreadable.svelte';
	import { done, failed } from '$lib/ui/notify';
	import PhotoStrip from '$lib/features/photos/PhotoStrip.svelte';
	import AircraftParts from './AircraftParts.svelte';
	import OutOfUse from '$lib/features/removal/OutOfUse.svelte';
	import { showDate } from '$lib/ui/format';
	import EventLog from './EventLog.svelte';
	import Packs from './Packs.svelte';
	import { KIND_WORDS } from './kindWords';

	let { id }: { id: string } = $props();

	const now = new Date().toISOString();
	const stored = live(
		async () => ({
			aircraft: id === 'new' ? undefined : await findAircraft(id),
			found: await lastFindings(id, now),
			site: await lastSite(id),
		}),
		() => id,
	);
	const fresh = { ...newAircraft(newId(), 'multirotor', new Date().toISOString()), defaults: [...KIND_DEFAULTS] };
	let changes = $state<Draft<Aircraft>>({});
	const base = $derived(id === 'new' ? fresh : stored.current?.aircraft);
	const craft = $derived(base ? ({ ...base, ...changes } as Aircraft) : null);
	const changed = $derived(Object.keys(changes).length > 0);
	let problem = $state('');
	let all = $state(false);

	const due = $derived.by(() => {
		const { current } = stored;
		if (!current?.aircraft) return null;
		const { aircraft, found, site } = current;
		return aircraftDue(aircraft, lastDone(found, now), site && placedAt(site, now), now, {}, datedAhead(found, now));
	});

	// svelte-ignore state_referenced_locally
	const draft = keepDraft(
		`aircraft-${id}`,
		() => (changed ? $state.snapshot(changes) : null),
		(kept) => {
			const found = keptFields(aircraftSchema, kept);
			if (found) changes = found;
		},
	);

	/** What is entered is no default of the kind any more. */
	const set = (change: Draft<Aircraft>) => {
		const left = craft?.defaults?.filter((field) => !(field in change));
		changes = { ...changes, ...change, ...(left ? { defaults: left } : {}) };
	};
	async function save(event: SubmitEvent) {
		event.preventDefault();
		if (!craft) return;
		const parsed = aircraftSchema.safeParse(craft);
		if (!parsed.success) {
			problem = refusal(parsed.error.issues[0], AIRCRAFT_FIELDS);
			return;
		}
		problem = '';
		try {
			await saveAircraft({ ...parsed.data, unreadable: undefined });
			draft.forget();
			changes = {};
			done(`${parsed.data.name} is saved`);
			// The first of all leads back to the start, where the next step is.
			if (id === 'new') {
				const isFirst = (await listAircraft()).length === 1;
				await goto(isFirst ? '/' : `/aircraft/${parsed.data.id}`, { replaceState: true });
			}
		} catch (error) {
			failed(error);
		}
	}
	function setKind(kind: AircraftKind) {
		const { rotors, compasses, hasPosition, returnSpeedMps } = newAircraft('x', kind, '');
		changes = { ...changes, kind, rotors, compasses, hasPosition };
		if (craft?.defaults?.includes('returnSpeedMps')) changes = { ...changes, returnSpeedMps };
	}
</script>

{#if stored.ready && !craft}
	<Page title="This aircraft is not on this device" name="Aircraft"
		><Empty title="Nothing here"><Button href="/aircraft">All aircraft</Button></Empty></Page
	>
{:else if craft}
	<Page
		title={id === 'new' ? 'Which aircraft is it?' : craft.name || 'Without a name'}
		name={craft.name || 'New aircraft'}
		lead={id === 'new' ? 'Defaults can all be changed; the maker’s manual stands above them.' : craft.description}
	>
		{#snippet margin()}
			{#if due}
				<h2 class="mt-0 mb-2">What is due</h2>
				<ul class="m-0 list-none p-0">
					{#each due as item (item.sensor)}
						<li class="hairline flex gap-3 py-2">
							<MarkIcon mark={item.due ? 'caution' : 'clear'} size={24} word={false} />
							<div>
								<b>{item.name}</b>: {item.due ? 'due' : 'not due'}
								{#if item.due}<p class="m-0 text-note text-ink-2">{item.chosen.reasons[0]?.text}</p>{/if}
							</div>
						</li>
					{/each}
				</ul>
				<p class="flex flex-wrap gap-2">
					<Button href="/aircraft/{id}/due">Why, and do it</Button>
					<Button href="/aircraft/{id}/trends">How it was, flight by flight</Button>
				</p>
				<h2 class="mt-5 mb-2">Its checklist</h2>
				<p>Made for it; add, leave off, set limits and order of your own, print it.</p>
				<p><Button href="/aircraft/{id}/checklist">What is asked</Button></p>
				<h2 class="mt-5 mb-2">Under a roof</h2>
				<p>
					{#if craft && toRestore(craft).length > 0}<b>Still set for indoors.</b>{:else}Settings for a room, with the
						list that puts them back.{/if}
				</p>
				<p><Button href="/aircraft/{id}/indoor">Indoor settings</Button></p>
				<h2 class="mt-5 mb-2">Its settings</h2>
				<p>Kept before they are changed, compared, and put back.</p>
				<p><Button href="/aircraft/{id}/settings">Settings sheet</Button></p>
			{:else}
				<h2 class="mt-0">What follows from the kind</h2>
				<p>
					The checklist: each kind adds and removes what applies. A wing has no hover; a racer without a receiver has no
					lock and no return.
				</p>
			{/if}
		{/snippet}
		<form {@attach refuseInvalid} class="grid max-w-4xl gap-6" onsubmit={save}>
			<Unreadable fields={craft.unreadable} />
			<div class="grid gap-4 md:grid-cols-2">
				<Fields fields={[NAME]} record={craft} onchange={set} />
				<Select label="Kind" value={craft.kind} options={optionsOf(KIND_WORDS)} onchange={setKind} />
			</div>
			<div class="flex flex-wrap items-center gap-x-4 gap-y-1">
				<p class="m-0 min-w-0 flex-1 basis-60 text-ink-2">
					{id === 'new'
						? 'That is enough to begin. The rest is filled in as usual for its kind, and asked for when it is first needed.'
						: 'Each part shows its values. Open one to change it.'}
				</p>
				<Button kind="quiet" aria-expanded={all} onclick={() => (all = !all)}
					>{all ? 'Close all parts' : 'Open all parts'}</Button
				>
			</div>
			<div>
				<AircraftParts {craft} {set} {all} />
			</div>
			{#if problem}<p class="m-0 font-semibold text-hold" role="alert">{problem}</p>{/if}
			{#if changed || id === 'new' || craft.unreadable?.length}
				<div class="sticky bottom-0 z-10 flex flex-wrap gap-3 border-t border-rule bg-sheet py-3">
					<Button kind="primary" type="submit">Save</Button>
					{#if changed}<Button class="min-h-14" onclick={() => (changes = {})}>Undo the changes</Button>{/if}
				</div>
			{/if}
		</form>
		{#if id !== 'new' && base}
			<div class="mt-10 grid gap-10 xl:grid-cols-2">
				<div class="grid content-start gap-10">
					<EventLog aircraft={base} />
					<section>
						<h2 class="mt-0 mb-2">Photos</h2>
						<p class="mt-0 text-small text-ink-2">
							How leads run, how it stands, what its screen shows when it is right.
						</p>
						<PhotoStrip of={{ table: 'aircraft', id: base.id }} label="Add a photo" />
					</section>
				</div>
				<Packs aircraftId={base.id} />
			</div>
			<div class="mt-10 max-w-4xl">
				<Fold
					id="out-of-use"
					title="Out of use"
					brief={base.retired
						? `since ${showDate(base.retired.at)}: ${base.retired.why}`
						: 'or deleted, where nothing is recorded of it'}
				>
					<OutOfUse
						table="aircraft"
						id={base.id}
						name={base.name}
						retired={base.retired}
						keep={(retired) => saveAircraft({ ...$state.snapshot(base), retired })}
						ondeleted={() => void goto('/aircraft', { replaceState: true })}
					/>
				</Fold>
			</div>
		{/if}
	</Page>
{/if}
