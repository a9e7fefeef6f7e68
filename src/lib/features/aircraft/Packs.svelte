<script lang="ts">
	import TextField from '$lib/ui/TextField.svelte';
	import type { Draft } from '$lib/schema/common';
	import { localDay } from '$lib/words/calendar';
	import { page } from '$app/state';
	import PhotoStrip from '$lib/features/photos/PhotoStrip.svelte';
	import { packSchema, type Pack } from '$lib/schema/records';
	import { live } from '$lib/store/live.svelte';
	import { newId } from '$lib/store/newId';
	import { savePack } from '$lib/store/repository';
	import { listPacks } from '$lib/store/tables';
	import { refuseInvalid } from '$lib/ui/refuse';
	import Button from '$lib/ui/Button.svelte';
	import Fields from '$lib/ui/Fields.svelte';
	import { refusal } from '$lib/ui/fields';
	import { BATTERY_FIELDS } from './batteryFields';
	import Dialog from '$lib/ui/Dialog.svelte';
	import Unreadable from '$lib/ui/Unreadable.svelte';
	import { showDate } from '$lib/ui/format';
	import { done, failed } from '$lib/ui/notify';
	import { CHEMISTRY_WORDS, PACK_STATE_WORDS } from '$lib/ui/packWords';

	/** The packs of an aircraft: charged or not at a glance, changed, taken out of use. A flown session marks its pack as used. */
	let { aircraftId }: { aircraftId: string } = $props();
	const packs = live(listPacks);
	const own = $derived((packs.current ?? []).filter((pack) => pack.aircraftId === aircraftId));
	const inUse = $derived(own.filter(({ retired }) => !retired));
	const retired = $derived(own.filter((pack) => pack.retired));
	let editing = $state<Draft<Pack> | null>(null);
	let why = $state('');
	let problem = $state('');

	const blank = (): Draft<Pack> => ({
		aircraftId,
		chemistry: 'lipo',
		cycles: 0,
		boughtOn: localDay(Date.now()),
	});

	async function keep(pack: Draft<Pack>, words: string) {
		const parsed = packSchema.safeParse({ id: newId(), notes: '', ...pack, updatedAt: new Date().toISOString() });
		if (!parsed.success) {
			problem = refusal(parsed.error.issues[0], BATTERY_FIELDS);
			return;
		}
		try {
			await savePack(parsed.data);
			editing = null;
			done(words);
		} catch (error) {
			failed(error);
		}
	}
	function open(pack: Draft<Pack>) {
		editing = { ...pack };
		[problem, why] = ['', ''];
	}
	/** A link to the packs of an aircraft leads to them, below its long form. */
	const asked = (section: HTMLElement) => {
		if (page.url.hash === `#${section.id}`) section.scrollIntoView();
	};
	const mark = (pack: Pack, state: NonNullable<Pack['state']>) =>
		keep(
			{ ...pack, state, stateAt: new Date().toISOString() },
			`${pack.name}: ${PACK_STATE_WORDS[state].toLowerCase()}`,
		);
	function retire() {
		if (!editing) return;
		if (why.trim() === '') {
			problem = 'Why: it needs a reason, for whoever finds it in the box.';
			return;
		}
		void keep(
			{ ...$state.snapshot(editing), retired: { at: new Date().toISOString(), why: why.trim() } },
			'Taken out of use',
		);
	}
	function bringBack(pack: Pack) {
		const back = { ...pack };
		delete back.retired;
		void keep(back, `${pack.name} is in use again`);
	}
</script>

<section id="packs" {@attach asked}>
	<h2 class="m-0 mb-2">Batteries</h2>
	<ul class="m-0 list-none p-0">
		{#each inUse as pack (pack.id)}
			<li class="hairline flex flex-wrap items-center gap-x-4 gap-y-1 py-2">
				<span class="min-w-52 flex-1">
					<b>{pack.name}</b>
					<span class="block text-small text-ink-2"
						>{pack.cells} cells, {pack.capacityMah} mAh, {pack.cycles} cycles, {CHEMISTRY_WORDS[
							pack.chemistry ?? 'lipo'
						]}, since {showDate(pack.boughtOn)}{pack.resistanceMohm
							? `, ${pack.resistanceMohm.toFixed(1)} mΩ a cell`
							: ''}</span
					>
					<Unreadable fields={pack.unreadable} />
				</span>
				<span class="flex flex-wrap gap-2" role="group" aria-label="Charge of {pack.name}">
					{#each Object.entries(PACK_STATE_WORDS) as [state, words] (state)}
						<Button
							class="min-h-11"
							kind={pack.state === state ? 'primary' : 'plain'}
							aria-pressed={pack.state === state}
							onclick={() => void mark(pack, state as NonNullable<Pack['state']>)}>{words}</Button
						>
					{/each}
				</span>
				<Button kind="quiet" onclick={() => open(pack)}>Change</Button>
				<PhotoStrip of={{ table: 'packs', id: pack.id }} label="Photo of {pack.name}" />
			</li>
		{:else}
			<li class="hairline py-2 text-ink-2">No battery yet.</li>
		{/each}
	</ul>
	<div class="mt-2"><Button onclick={() => open(blank())}>Add battery</Button></div>
	{#if retired.length > 0}
		<h3 class="mt-4 mb-1 text-lead">Out of use</h3>
		<ul class="m-0 list-none p-0">
			{#each retired as pack (pack.id)}
				<li class="hairline flex flex-wrap items-center gap-3 py-1.5">
					<span class="min-w-0 flex-1"
						>{pack.name}
						<span class="text-ink-2">since {showDate(pack.retired?.at ?? '')}: {pack.retired?.why}</span></span
					>
					<Button kind="quiet" onclick={() => bringBack(pack)}>Use it again</Button>
				</li>
			{/each}
		</ul>
	{/if}
</section>

<Dialog
	bind:open={() => editing !== null, (next) => !next && (editing = null)}
	title={editing?.id ? 'Change battery' : 'New battery'}
>
	{#if editing}
		{@const draft = editing}
		<form
			{@attach refuseInvalid}
			class="grid gap-4"
			onsubmit={(event) => {
				event.preventDefault();
				void keep({ ...$state.snapshot(draft), unreadable: undefined }, `Battery ${draft.name ?? ''} saved`);
			}}
		>
			<Fields fields={BATTERY_FIELDS} record={draft} onchange={(change) => Object.assign(draft, change)} />
			{#if problem}<p class="m-0 font-semibold text-hold" role="alert">{problem}</p>{/if}
			<div class="flex flex-wrap gap-3">
				<Button kind="primary" type="submit">Save</Button>
			</div>
			{#if draft.id}
				<div class="hairline flex flex-wrap items-end gap-3 pt-3">
					<div class="min-w-52 flex-1">
						<TextField label="Out of use: why" maxlength={200} placeholder="swollen, a weak cell" bind:value={why} />
					</div>
					<Button onclick={retire}>Take it out of use</Button>
				</div>
			{/if}
		</form>
	{/if}
</Dialog>
