<script lang="ts">
	import TextField from '$lib/ui/TextField.svelte';
	import type { Draft } from '$lib/schema/common';
	import { problemWords } from '$lib/ui/problem';
	import { localDay } from '$lib/words/calendar';
	import { goto } from '$app/navigation';
	import { page } from '$app/state';
	import WideTable from '$lib/ui/WideTable.svelte';
	import { fieldAt } from '$lib/core/earth/field';
	import { readPosition } from '$lib/core/earth/readPosition';
	import { hereNow } from '$lib/sources/devicePosition';
	import { formatQuantity, wholeQuantity } from '$lib/words/units';
	import ObstacleEditor from './ObstacleEditor.svelte';
	import { draftObstaclesSchema, isWhole, missingOf, type DraftObstacle } from './draftObstacles';
	import PhotoStrip from '$lib/features/photos/PhotoStrip.svelte';
	import OutOfUse from '$lib/features/removal/OutOfUse.svelte';
	import Page from '$lib/features/shell/Page.svelte';
	import { siteSchema, type Site } from '$lib/schema/records';
	import { live } from '$lib/store/live.svelte';
	import { newId } from '$lib/store/newId';
	import { saveSite } from '$lib/store/repository';
	import { listSites } from '$lib/store/tables';
	import { refuseInvalid } from '$lib/ui/refuse';
	import Button from '$lib/ui/Button.svelte';
	import Dialog from '$lib/ui/Dialog.svelte';
	import Empty from '$lib/ui/Empty.svelte';
	import Fold from '$lib/ui/Fold.svelte';
	import Fields from '$lib/ui/Fields.svelte';
	import { refusal } from '$lib/ui/fields';
	import { ALLOWED, LANDING, NAME, POSITION, ROOM, SITE_FIELDS } from './fields';
	import Unreadable from '$lib/ui/Unreadable.svelte';
	import { keepDraft, keptFields } from '$lib/ui/draft.svelte';
	import { done, failed } from '$lib/ui/notify';
	import { units } from '$lib/ui/preferences.svelte';

	const sites = live(listSites);
	const asked = page.url.searchParams.has('new');
	const date = localDay(Date.now());
	let editing = $state<Draft<Site> | null>(null);
	/** What stands there, as far as it was said. */
	let stands = $state.raw<DraftObstacle[]>([]);
	let problem = $state('');
	if (asked) editing = {};
	const half = keepDraft(
		'site',
		() =>
			editing && (Object.keys(editing).length > 0 || stands.length > 0)
				? { ...$state.snapshot(editing), stands }
				: null,
		(kept) => {
			const found = keptFields(siteSchema, kept);
			if (!found) return;
			editing = found;
			const list = draftObstaclesSchema.safeParse(Object(kept).stands);
			stands = list.success ? list.data : (found.obstacles ?? []);
		},
	);

	let pasted = $state('');
	let told = $state('');
	let asking = $state(false);

	function edit(site: Draft<Site> | null) {
		editing = site?.altUnknown ? { ...site, altM: undefined } : site;
		stands = site?.obstacles ?? [];
		[problem, told, pasted] = ['', '', ''];
	}

	function change(part: Draft<Site>) {
		if (editing) Object.assign(editing, part);
	}

	function takePasted() {
		if (!editing || pasted.trim() === '') return;
		try {
			Object.assign(editing, readPosition(pasted));
			told = 'Read. Check the sign: south and west are negative.';
		} catch (error) {
			told = problemWords(error);
		}
	}

	async function here() {
		asking = true;
		try {
			const { latDeg, lonDeg, accuracyM, altM } = await hereNow();
			if (!editing) return;
			Object.assign(editing, { latDeg: Number(latDeg.toFixed(6)), lonDeg: Number(lonDeg.toFixed(6)) });
			// A height above the ellipsoid is off by some tens of metres: no matter to the field, and better than none.
			if (altM !== null && editing.altM === undefined) editing.altM = Math.round(altM);
			told = `By this device, to about ${accuracyM.toFixed(0)} m.`;
		} catch (error) {
			told = problemWords(error);
		} finally {
			asking = false;
		}
	}

	const field = (site: Site) => {
		try {
			return fieldAt(site.latDeg, site.lonDeg, site.altM, date);
		} catch {
			return null; // the device's date is outside the field model
		}
	};

	async function save(event: SubmitEvent) {
		event.preventDefault();
		const open = stands.find((o) => !isWhole(o));
		if (open) {
			problem = `Obstacles: ${open.name || 'one of them'} needs ${missingOf(open)}.`;
			return;
		}
		const parsed = siteSchema.safeParse({
			id: newId(),
			notes: '',
			...editing,
			altM: editing?.altM ?? 0,
			altUnknown: editing?.altM === undefined || undefined,
			obstacles: stands,
			updatedAt: new Date().toISOString(),
		});
		if (!parsed.success) {
			problem = refusal(parsed.error.issues[0], SITE_FIELDS);
			return;
		}
		try {
			await saveSite({ ...parsed.data, unreadable: undefined });
			done(`${parsed.data.name} is saved`);
			half.forget();
			if (asked) await goto('/');
			editing = null;
		} catch (error) {
			failed(error);
		}
	}
</script>

<Page
	title="Where you fly"
	name="Sites"
	lead="The field model gives each place's strength and dip: what a calibration there is compared with."
>
	{#snippet actions()}<Button kind="primary" onclick={() => edit({})}>Enter a site</Button>{/snippet}
	{#if !sites.ready}
		<p role="status" class="text-ink-2">Reading…</p>
	{:else if sites.current?.length === 0}
		<Empty title="No site yet"
			><p>
				A site needs a name and where it is: “Here” while you stand there. Everything about the field follows.
			</p></Empty
		>
	{:else}
		<WideTable label="Sites">
			<table>
				<thead>
					<tr
						><th scope="col">site</th><th scope="col" class="num">latitude, longitude</th><th scope="col" class="num"
							>height</th
						><th scope="col" class="num">field, µT</th><th scope="col" class="num">dip</th><th scope="col" class="num"
							>declination</th
						><th scope="col"><span class="sr-only">change</span></th></tr
					>
				</thead>
				<tbody>
					{#each sites.current ?? [] as site (site.id)}
						{@const f = field(site)}
						<tr>
							<td
								><b>{site.name}</b>{#if site.retired}<span class="ml-2 text-aside">out of use: {site.retired.why}</span
									>{/if}{#if site.notes}<span class="block text-small text-ink-2">{site.notes}</span>{/if}<Unreadable
									fields={site.unreadable}
								/></td
							>
							<td class="num">{site.latDeg.toFixed(4)}, {site.lonDeg.toFixed(4)}</td>
							<td class="num">{site.altUnknown ? 'not known' : wholeQuantity(site.altM, 'height', units())}</td>
							<td class="num">{f?.totalUt.toFixed(1) ?? '–'}</td>
							<td class="num">{f?.inclinationDeg.toFixed(1) ?? '–'}°</td>
							<td class="num"
								>{f ? `${Math.abs(f.declinationDeg).toFixed(1)}° ${f.declinationDeg < 0 ? 'W' : 'E'}` : '–'}</td
							>
							<td class="num"><Button kind="quiet" onclick={() => edit({ ...site })}>Change</Button></td>
						</tr>
					{/each}
				</tbody>
			</table>
		</WideTable>
	{/if}
</Page>

<Dialog
	bind:open={() => editing !== null, (open) => !open && (editing = null)}
	title={editing?.id ? 'Change the site' : 'A new site'}
>
	{#if editing}
		{@const draft = editing}
		{@const stored = sites.current?.find(({ id }) => id === draft.id)}
		<form {@attach refuseInvalid} class="grid gap-3" onsubmit={save}>
			<Fields fields={[NAME]} record={draft} onchange={change} />
			<div class="flex flex-wrap items-end gap-3">
				<div class="min-w-52 flex-1">
					<TextField
						label="Position, pasted"
						placeholder="54.2113, -3.0642"
						bind:value={pasted}
						onchange={takePasted}
					/>
				</div>
				<Button onclick={() => void here()} disabled={asking}>{asking ? 'Asking this device…' : 'Here'}</Button>
			</div>
			{#if told}<p class="m-0 text-small text-ink-2" role="status">{told}</p>{/if}
			<Fields fields={POSITION} record={draft} onchange={change} />
			<div>
				<Fold
					id="stands"
					title="Obstacles"
					brief={stands.length > 0
						? stands
								.map(({ name }) => name)
								.filter(Boolean)
								.join(', ')
						: 'trees, masts, wires, furniture'}
				>
					<ObstacleEditor
						rows={stands}
						home={draft.latDeg === undefined || draft.lonDeg === undefined
							? null
							: { latDeg: draft.latDeg, lonDeg: draft.lonDeg }}
						onchange={(rows) => (stands = rows)}
					/>
				</Fold>
				<Fold id="allowed" title="What is allowed" brief={draft.rules || 'by whom, since when'}>
					<Fields fields={ALLOWED} record={draft} onchange={change} />
				</Fold>
				<Fold
					id="room"
					title="A room"
					brief={draft.ceilingM === undefined
						? 'none: it is outdoors'
						: `ceiling ${formatQuantity(draft.ceilingM, 'height', units())}`}
				>
					<Fields fields={ROOM} record={draft} onchange={change} />
				</Fold>
				<Fold
					id="land"
					title="Landing, hazards, notes"
					brief={[draft.approach, draft.hazards, draft.cleanSpot, draft.notes].filter(Boolean).join('; ') ||
						'nothing entered yet'}
				>
					<Fields fields={LANDING} record={draft} onchange={change} />
				</Fold>
			</div>
			{#if stored}
				<Fold
					id="out-of-use"
					title="Out of use"
					brief={stored.retired?.why ?? 'or deleted, where nothing is recorded of it'}
				>
					<OutOfUse
						table="sites"
						id={stored.id}
						name={stored.name}
						retired={stored.retired}
						keep={(retired) => {
							draft.retired = retired;
							return saveSite({ ...stored, retired });
						}}
						ondeleted={() => (editing = null)}
					/>
				</Fold>
			{/if}
			{#if draft.id}<PhotoStrip of={{ table: 'sites', id: draft.id }} label="Add a photo" />{/if}
			{#if problem}<p class="m-0 font-semibold text-hold" role="alert">{problem}</p>{/if}
			<div><Button kind="primary" type="submit">Save</Button></div>
		</form>
	{/if}
</Dialog>
