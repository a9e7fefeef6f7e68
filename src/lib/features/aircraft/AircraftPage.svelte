<script lang="ts">
	import { goto } from '$app/navigation';
	import { fromUnit, toUnit, unitSymbol, type Quantity } from '$lib/core/words/units';
	import { toRestore } from '$lib/core/radio/indoor';
	import { aircraftDue } from '$lib/core/due/aircraftDue';
	import { placedAt } from '$lib/core/due/place';
	import { datedAhead, lastDone } from '$lib/core/evidence/inForce';
	import { lastSite } from '$lib/store/home';
	import Page from '$lib/features/shell/Page.svelte';
	import { newAircraft } from '$lib/schema/newAircraft';
	import { LOSS_WORDS } from '$lib/core/radio/linkLossTest';
	import { showsData } from '$lib/core/session/capabilities';
	import { aircraftSchema, lossActionSchema, type Aircraft, type AircraftKind } from '$lib/schema/records';
	import { live } from '$lib/store/live.svelte';
	import { findAircraft, lastFindings, newId, saveAircraft } from '$lib/store/repository';
	import { brief } from './briefs';
	import Equipment from './Equipment.svelte';
	import Controls from './Controls.svelte';
	import Flies from './Flies.svelte';
	import LadderChoices from './LadderChoices.svelte';
	import LightTable from './LightTable.svelte';
	import { listAircraft } from '$lib/store/tables';
	import { keepDraft, keptFields } from '$lib/ui/draft.svelte';
	import { refuseInvalid } from '$lib/ui/refuse';
	import Button from '$lib/ui/Button.svelte';
	import Choice from '$lib/ui/Choice.svelte';
	import Empty from '$lib/ui/Empty.svelte';
	import Fold from '$lib/ui/Fold.svelte';
	import MarkIcon from '$lib/ui/MarkIcon.svelte';
	import NumberField from '$lib/ui/NumberField.svelte';
	import { done, failed } from '$lib/ui/notify';
	import { units } from '$lib/ui/preferences.svelte';
	import PhotoStrip from '$lib/features/photos/PhotoStrip.svelte';
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
	const fresh = newAircraft(newId(), 'multirotor', new Date().toISOString());
	let changes = $state<Partial<Aircraft>>({});
	const base = $derived(id === 'new' ? fresh : stored.current?.aircraft);
	const craft = $derived(base ? { ...base, ...changes } : null);
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
			const found = keptFields(aircraftSchema.partial(), kept);
			if (found) changes = found;
		},
	);

	const set = (change: Partial<Aircraft>) => (changes = { ...changes, ...change });
	const si = (value: number | null, quantity: Quantity) =>
		value === null ? undefined : fromUnit(value, quantity, units());
	const own = (value: number, quantity: Quantity) => toUnit(value, quantity, units());

	async function save(event: SubmitEvent) {
		event.preventDefault();
		if (!craft) return;
		const parsed = aircraftSchema.safeParse(craft);
		if (!parsed.success) {
			const [issue] = parsed.error.issues;
			problem = `${issue.path.join('.')}: ${issue.message}`;
			return;
		}
		problem = '';
		try {
			await saveAircraft(parsed.data);
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
		set({ kind, rotors, compasses, hasPosition, returnSpeedMps });
	}
	const isKind = (text: string): text is AircraftKind => text in KIND_WORDS;
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
								{#if item.due}<p class="m-0 text-[14px] text-ink-2">{item.chosen.reasons[0]?.text}</p>{/if}
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
			<div class="grid gap-4 md:grid-cols-2">
				<label class="grid gap-1"
					><span class="text-[15px] text-ink-2">Name</span><input
						class="field-input"
						maxlength="120"
						value={craft.name}
						oninput={(e) => set({ name: e.currentTarget.value })}
					/></label
				>
				<label class="grid gap-1">
					<span class="text-[15px] text-ink-2">Kind</span>
					<select
						class="field-input"
						value={craft.kind}
						onchange={(e) => isKind(e.currentTarget.value) && setKind(e.currentTarget.value)}
					>
						{#each Object.entries(KIND_WORDS) as [kind, words] (kind)}<option value={kind}>{words}</option>{/each}
					</select>
				</label>
			</div>
			<div class="flex flex-wrap items-center gap-x-4 gap-y-1">
				<p class="m-0 min-w-0 flex-1 basis-60 text-ink-2">
					{id === 'new'
						? 'That is enough to begin: the rest is as usual for its kind, and asked when it is first needed.'
						: 'Each part shows what stands in it; open it to change it.'}
				</p>
				<Button kind="quiet" aria-expanded={all} onclick={() => (all = !all)}
					>{all ? 'Close all parts' : 'Open all parts'}</Button
				>
			</div>
			<div>
				<Fold id="what" title="What it is" brief={brief.about(craft)} open={all}>
					<div class="grid gap-4 md:grid-cols-2">
						<label class="grid gap-1 md:col-span-2"
							><span class="text-[15px] text-ink-2">What it is and carries</span><input
								class="field-input"
								maxlength="400"
								value={craft.description}
								oninput={(e) => set({ description: e.currentTarget.value })}
							/></label
						>
						<label class="grid gap-1"
							><span class="text-[15px] text-ink-2">Firmware</span><input
								class="field-input"
								maxlength="80"
								value={craft.firmware}
								oninput={(e) => set({ firmware: e.currentTarget.value })}
							/></label
						>
						<label class="grid gap-1"
							><span class="text-[15px] text-ink-2">Serial number or registration</span><input
								class="field-input"
								maxlength="80"
								value={craft.serial ?? ''}
								oninput={(e) => set({ serial: e.currentTarget.value || undefined })}
							/></label
						>
						<label class="grid gap-1"
							><span class="text-[15px] text-ink-2">Maker's manual: where to look</span><input
								class="field-input"
								maxlength="400"
								value={craft.manual}
								oninput={(e) => set({ manual: e.currentTarget.value })}
							/></label
						>
						{#if craft.lights}
							<label class="grid gap-1 md:col-span-2"
								><span class="text-[15px] text-ink-2">Its lights and tones, as noted before they had a table</span
								><textarea
									class="field-input"
									rows="2"
									maxlength="2000"
									value={craft.lights}
									oninput={(e) => set({ lights: e.currentTarget.value })}></textarea></label
							>
						{/if}
					</div>
				</Fold>
				<Fold id="has" title="What it has" brief={brief.frame(craft)} open={all}>
					<div class="flex flex-wrap gap-5">
						<NumberField
							label="Rotors"
							min={0}
							max={16}
							value={craft.rotors}
							required
							onchange={(v) => v !== null && set({ rotors: Math.round(v) })}
						/>
						<NumberField
							label="Compasses"
							min={0}
							max={4}
							value={craft.compasses}
							required
							onchange={(v) => v !== null && set({ compasses: Math.round(v) })}
						/>
						<label class="flex min-h-11 items-center gap-3 self-center">
							<input
								type="checkbox"
								class="size-5 accent-(--action)"
								checked={craft.hasPosition}
								onchange={(e) => set({ hasPosition: e.currentTarget.checked })}
							/> Receiver for position
						</label>
					</div>
					<Equipment {craft} {set} />
				</Fold>
				<Fold id="radio" title="Its radio" brief={brief.radio(craft)} open={all}><Controls {craft} {set} /></Fold>
				<Fold id="lights" title="Its lights and tones" brief={brief.lights(craft)} open={all}
					><LightTable {craft} {set} /></Fold
				>
				<Fold id="link-loss" title="What it shows, and link loss" brief={brief.linkLoss(craft)} open={all}>
					<div class="grid gap-5">
						<Choice
							label="What it shows of itself"
							value={craft.gives ?? (showsData(craft) ? 'logs' : 'screen')}
							options={[
								{ value: 'logs', label: 'Logs or live data' },
								{ value: 'screen', label: 'Its own screen', note: 'read off, and guided routines' },
								{ value: 'lights', label: 'Lights alone', note: 'guided routines, watched' },
							]}
							onchange={(gives) => set({ gives })}
						/>
						<div class="flex flex-wrap gap-5">
							<label class="grid gap-1">
								<span class="text-[15px] text-ink-2">When the link is lost it will</span>
								<select
									class="field-input"
									value={craft.lossAction ?? ''}
									onchange={(e) => set({ lossAction: lossActionSchema.safeParse(e.currentTarget.value).data })}
								>
									<option value="">not read off yet</option>
									{#each lossActionSchema.options as action (action)}<option value={action}>{LOSS_WORDS[action]}</option
										>{/each}
								</select>
							</label>
							<label class="flex min-h-11 items-center gap-3 self-center">
								<input
									type="checkbox"
									class="size-5 accent-(--action)"
									checked={craft.propellersStayOn ?? false}
									onchange={(e) => set({ propellersStayOn: e.currentTarget.checked })}
								/> Its propellers stay on during bench work, by its manual
							</label>
						</div>
					</div>
				</Fold>
				<Fold id="limits" title="Its own limits" brief={brief.limits(craft, units())} open={all}>
					<fieldset class="m-0 border-0 p-0">
						<legend class="sr-only">Its own limits</legend>
						<div class="flex flex-wrap gap-5">
							<NumberField
								label="Satellites"
								min={1}
								max={60}
								value={craft.lock.minSatellites}
								note="eight is usual"
								required
								onchange={(v) => v !== null && set({ lock: { ...craft.lock, minSatellites: Math.round(v) } })}
							/>
							<NumberField
								label="HDOP at most"
								min={0.5}
								max={20}
								value={craft.lock.maxHdop}
								required
								onchange={(v) => v !== null && set({ lock: { ...craft.lock, maxHdop: v } })}
							/>
							<NumberField
								label="Lock held for"
								unit="s"
								min={0}
								max={600}
								value={craft.lock.holdS}
								required
								onchange={(v) => v !== null && set({ lock: { ...craft.lock, holdS: v } })}
							/>
							<NumberField
								label="Heading known to"
								unit="°"
								min={0.1}
								max={20}
								value={craft.compassHeadingLimitDeg}
								required
								onchange={(v) => v !== null && set({ compassHeadingLimitDeg: v })}
							/>
							<NumberField
								label="Return speed"
								unit={unitSymbol('speed', units())}
								min={0.1}
								max={220}
								value={own(craft.returnSpeedMps, 'speed')}
								required
								onchange={(v) => v !== null && set({ returnSpeedMps: si(v, 'speed') })}
							/>
							<NumberField
								label="Return height"
								unit={unitSymbol('height', units())}
								min={0}
								max={3000}
								value={own(craft.returnHeightM, 'height')}
								required
								onchange={(v) => v !== null && set({ returnHeightM: si(v, 'height') })}
							/>
						</div>
					</fieldset>
				</Fold>
				<Fold id="home" title="How it comes home" brief={brief.home(craft)} open={all}><Flies {craft} {set} /></Fold>
				{#if craft.kind !== 'wing' && craft.kind !== 'toy'}
					<Fold id="first-flights" title="Its first flights" brief={brief.firstFlights(craft)} open={all}>
						<LadderChoices {craft} {set} />
					</Fold>
				{/if}
				<Fold id="due" title="When a calibration is due" brief={brief.school[craft.school]} open={all}>
					<Choice
						label="When is a calibration due? Practitioners disagree; the default acts on what changed"
						value={craft.school}
						options={[
							{ value: 'as-told', label: 'As told', note: 'maker and prompts only' },
							{ value: 'after-events', label: 'After events', note: 'the default' },
							{ value: 'every-day', label: 'First flight of every day', note: 'ten seconds each' },
						]}
						onchange={(school) => set({ school })}
					/>
				</Fold>
			</div>
			{#if problem}<p class="m-0 font-semibold text-hold" role="alert">{problem}</p>{/if}
			{#if changed || id === 'new'}
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
						<p class="mt-0 text-[15px] text-ink-2">
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
