<script lang="ts">
	import WideTable from '$lib/ui/WideTable.svelte';
	import { fieldAt } from '$lib/core/earth/field';
	import { formatQuantity } from '$lib/core/words/units';
	import Page from '$lib/features/shell/Page.svelte';
	import { siteSchema, type Site } from '$lib/schema/records';
	import { live } from '$lib/store/live.svelte';
	import { newId, saveSite } from '$lib/store/repository';
	import { listSites } from '$lib/store/tables';
	import { refuseInvalid } from '$lib/ui/refuse';
	import Button from '$lib/ui/Button.svelte';
	import Dialog from '$lib/ui/Dialog.svelte';
	import Empty from '$lib/ui/Empty.svelte';
	import NumberField from '$lib/ui/NumberField.svelte';
	import { keepDraft } from '$lib/ui/draft.svelte';
	import { done, failed } from '$lib/ui/notify';
	import { units } from '$lib/ui/preferences.svelte';

	const sites = live(listSites);
	const date = new Date().toISOString().slice(0, 10);
	let editing = $state<Partial<Site> | null>(null);
	let problem = $state('');
	const half = keepDraft(
		'site',
		() => (editing && Object.keys(editing).length > 0 ? $state.snapshot(editing) : null),
		(kept) => {
			const found = siteSchema.partial().safeParse(kept);
			if (found.success) editing = found.data;
			return found.success;
		},
	);

	const field = (site: Site) => {
		try {
			return fieldAt(site.latDeg, site.lonDeg, site.altM, date);
		} catch {
			return null; // the device's date is outside the field model
		}
	};

	async function save(event: SubmitEvent) {
		event.preventDefault();
		const parsed = siteSchema.safeParse({ id: newId(), notes: '', ...editing, updatedAt: new Date().toISOString() });
		if (!parsed.success) {
			const [issue] = parsed.error.issues;
			const words: Record<string, string> = {
				name: 'Name',
				latDeg: 'Latitude',
				lonDeg: 'Longitude',
				altM: 'Height above sea',
			};
			problem = `${words[String(issue.path[0])] ?? issue.path.join('.')}: ${issue.code === 'invalid_type' ? 'is missing' : issue.message}`;
			return;
		}
		try {
			await saveSite(parsed.data);
			done(`${parsed.data.name} is saved`);
			half.forget();
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
	{#snippet actions()}<Button kind="primary" onclick={() => ((editing = {}), (problem = ''))}>Enter a site</Button
		>{/snippet}
	{#if !sites.ready}
		<p role="status" class="text-ink-2">Reading…</p>
	{:else if sites.current?.length === 0}
		<Empty title="No site yet"
			><p>A site needs a name, latitude, longitude and height. Everything about the field follows.</p></Empty
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
								><b>{site.name}</b>{#if site.notes}<span class="block text-[15px] text-ink-2">{site.notes}</span
									>{/if}</td
							>
							<td class="num">{site.latDeg.toFixed(4)}, {site.lonDeg.toFixed(4)}</td>
							<td class="num">{formatQuantity(site.altM, 'height', units())}</td>
							<td class="num">{f?.totalUt.toFixed(1) ?? '–'}</td>
							<td class="num">{f?.inclinationDeg.toFixed(1) ?? '–'}°</td>
							<td class="num"
								>{f ? `${Math.abs(f.declinationDeg).toFixed(1)}° ${f.declinationDeg < 0 ? 'W' : 'E'}` : '–'}</td
							>
							<td class="num"
								><Button kind="quiet" onclick={() => ((editing = { ...site }), (problem = ''))}>Change</Button></td
							>
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
		<form {@attach refuseInvalid} class="grid gap-3" onsubmit={save}>
			<label class="grid gap-1"
				><span class="text-[15px] text-ink-2">Name</span><input
					class="field-input"
					maxlength="120"
					value={draft.name ?? ''}
					oninput={(e) => (draft.name = e.currentTarget.value)}
				/></label
			>
			<div class="flex flex-wrap gap-4">
				<NumberField
					label="Latitude"
					unit="°"
					min={-90}
					max={90}
					value={draft.latDeg ?? null}
					onchange={(v) => (draft.latDeg = v ?? undefined)}
					note="north positive"
				/>
				<NumberField
					label="Longitude"
					unit="°"
					min={-180}
					max={180}
					value={draft.lonDeg ?? null}
					onchange={(v) => (draft.lonDeg = v ?? undefined)}
					note="east positive"
				/>
				<NumberField
					label="Height above sea"
					unit="m"
					min={-500}
					max={9000}
					value={draft.altM ?? null}
					onchange={(v) => (draft.altM = v ?? undefined)}
				/>
			</div>
			<label class="grid gap-1"
				><span class="text-[15px] text-ink-2">Notes: metal, obstacles, access</span><textarea
					class="field-input"
					rows="3"
					maxlength="2000"
					value={draft.notes ?? ''}
					oninput={(e) => (draft.notes = e.currentTarget.value)}></textarea></label
			>
			{#if problem}<p class="m-0 font-semibold text-hold" role="alert">{problem}</p>{/if}
			<div class="flex gap-3">
				<Button kind="primary" type="submit">Save</Button><Button class="min-h-14" onclick={() => (editing = null)}
					>Back</Button
				>
			</div>
		</form>
	{/if}
</Dialog>
