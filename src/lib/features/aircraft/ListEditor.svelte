<script lang="ts">
	import Select from '$lib/ui/Select.svelte';
	import TextField from '$lib/ui/TextField.svelte';
	import ArrowDown from '@lucide/svelte/icons/arrow-down';
	import ArrowUp from '@lucide/svelte/icons/arrow-up';
	import GripVertical from '@lucide/svelte/icons/grip-vertical';
	import { dragHandle, dragHandleZone, TRIGGERS } from 'svelte-dnd-action';
	import { EMPTY_LIST, listFile, mayBeOff, readListFile } from '$lib/core/session/checklist/own';
	import { checklistFor, everyItem, type Item } from '$lib/core/session/items';
	import { OCCASION_WORDS, VENUE_WORDS } from '$lib/core/session/occasion';
	import { STATIONS, stationTitle } from '$lib/core/session/stations';
	import { toUnit, unitSymbol } from '$lib/words/units';
	import Page from '$lib/features/shell/Page.svelte';
	import { readText } from '$lib/instruments/readText';
	import { occasionSchema, venueSchema, type OwnItem, type OwnList, type StationId } from '$lib/schema/records';
	import { live } from '$lib/store/live.svelte';
	import { findAircraft, saveAircraft } from '$lib/store/repository';
	import { newId } from '$lib/store/newId';
	import Button from '$lib/ui/Button.svelte';
	import Dialog from '$lib/ui/Dialog.svelte';
	import FileButton from '$lib/ui/FileButton.svelte';
	import Empty from '$lib/ui/Empty.svelte';
	import Quantity from '$lib/ui/Quantity.svelte';
	import { download } from '$lib/ui/download';
	import { done, failed } from '$lib/ui/notify';
	import { units } from '$lib/ui/preferences.svelte';
	import OwnItemForm from './OwnItemForm.svelte';

	/** The checklist of an aircraft: what is asked on a day of one's choosing, changed by its pilot, and printed beforehand. */
	let { id }: { id: string } = $props();
	const stored = live(
		() => findAircraft(id),
		() => id,
	);
	const aircraft = $derived(stored.current ?? null);
	let occasion = $state<(typeof occasionSchema.options)[number]>('routine');
	let venue = $state<(typeof venueSchema.options)[number]>('open');
	/** The list as it was before the last change. */
	let before = $state.raw<{ list: OwnList | undefined } | null>(null);
	let editing = $state.raw<{ station: StationId; item: OwnItem | null } | null>(null);
	let limiting = $state.raw<{ item: Item; low: number | null; high: number | null; source: string } | null>(null);

	const items = $derived(aircraft ? checklistFor({ aircraft, session: { occasion, venue } }) : []);
	const list = $derived(aircraft?.ownList ?? { ...EMPTY_LIST, changedAt: new Date(0).toISOString() });
	const own = $derived(new Map(list.items.map((item) => [item.id, item])));
	const off = $derived(
		aircraft ? [...everyItem({ aircraft }).values()].filter((item) => list.off.includes(item.id)) : [],
	);
	/** What is dragged stands where it is held until it is let go. */
	let dragged = $state.raw<{ station: StationId; items: Item[] } | null>(null);
	const at = (station: StationId) =>
		dragged?.station === station ? dragged.items : items.filter((item) => item.station === station);

	async function keep(change: Partial<OwnList>, words: string) {
		if (!aircraft) return;
		const was = aircraft.ownList;
		try {
			await saveAircraft({
				...aircraft,
				ownList: { ...list, ...change, changedAt: new Date().toISOString() },
			});
			before = { list: was };
			done(words);
		} catch (error) {
			failed(error);
		}
	}
	async function undo() {
		if (!aircraft || !before) return;
		const { list: was } = before;
		const craft = { ...aircraft };
		if (was) craft.ownList = was;
		else delete craft.ownList;
		try {
			await saveAircraft(craft);
			before = null;
			done('As it was before');
		} catch (error) {
			failed(error);
		}
	}
	/** Keeps the order of a station as it is now shown; the others stay. */
	function reorder(station: StationId, ids: readonly string[]) {
		const others = list.order.filter((o) => !ids.includes(o));
		return keep({ order: [...others, ...ids] }, `Order of ${stationTitle(station)} kept`);
	}
	function move(station: StationId, index: number, by: number) {
		const ids = at(station).map((item) => item.id);
		const to = index + by;
		if (to < 0 || to >= ids.length) return;
		ids.splice(to, 0, ...ids.splice(index, 1));
		void reorder(station, ids);
	}
	function saveItem(item: OwnItem) {
		const others = list.items.filter((o) => o.id !== item.id);
		const known = own.has(item.id);
		editing = null;
		void keep(
			{ items: known ? list.items.map((o) => (o.id === item.id ? item : o)) : [...others, item] },
			known ? 'Changed' : 'Added: it is asked in every session from now on',
		);
	}

	const shown = (item: Item, si: number | undefined) =>
		si === undefined ? null : item.limit?.quantity ? toUnit(si, item.limit.quantity, units()) : si;
	const unitOf = (item: Item) =>
		item.limit?.quantity ? unitSymbol(item.limit.quantity, units()) : (item.limit?.unit ?? '');
	function limitWords(item: Item): string {
		const { low, high } = item.limit ?? {};
		const text = (si: number) => `${Math.round((shown(item, si) ?? 0) * 100) / 100}`;
		const range = [low === undefined ? '' : `at least ${text(low)}`, high === undefined ? '' : `at most ${text(high)}`];
		return `${range.filter(Boolean).join(', ')} ${unitOf(item)}`.trim();
	}
	function saveLimit() {
		if (!limiting || limiting.source.trim() === '') return failed('A limit needs to say where it comes from.');
		const { item, low, high, source } = limiting;
		const value = { low: low ?? undefined, high: high ?? undefined, source: source.trim() };
		limiting = null;
		void keep(
			{
				limits: {
					...list.limits,
					[item.id]: {
						source: value.source,
						...(value.low === undefined ? {} : { low: value.low }),
						...(value.high === undefined ? {} : { high: value.high }),
					},
				},
			},
			'Your limit is kept',
		);
	}
	function dropLimit(item: Item) {
		limiting = null;
		const limits = Object.entries(list.limits).filter(([of]) => of !== item.id);
		void keep({ limits: Object.fromEntries(limits) }, 'The limit is as it was made');
	}

	async function read(file: File) {
		try {
			const found = readListFile(await readText(file));
			await keep(found, `Read: ${found.items.length} of your own, ${found.off.length} left off`);
		} catch (error) {
			failed(error);
		}
	}
</script>

{#if !stored.ready}
	<p role="status" class="px-7 py-10 text-ink-2">Reading…</p>
{:else if !aircraft}
	<Page title="There is no such aircraft" name="Checklist"
		><Empty title="It is not on this device"><a href="/aircraft">All aircraft</a></Empty></Page
	>
{:else}
	<Page
		title="What is asked of {aircraft.name}"
		name="Checklist of {aircraft.name}"
		lead="Made from its equipment, the place and the day. Add what you ask, leave off what is not for you, put it in your order; every session from now on follows it, and the record keeps the list as it was."
	>
		{#snippet actions()}
			<Button onclick={() => window.print()}>Print it</Button>
			<Button
				onclick={() => download(`checklist-${aircraft.name.toLowerCase()}.json`, listFile(list), 'application/json')}
				>Export</Button
			>
			<FileButton
				label="Import"
				what="A list from a file"
				accept=".json,application/json"
				onfile={(file) => void read(file)}
			/>
			<Button disabled={!before} onclick={() => void undo()}>Undo</Button>
		{/snippet}
		<div class="no-print flex flex-wrap gap-4">
			<Select
				label="Occasion"
				value={occasion}
				options={occasionSchema.options.map((value) => ({ value, label: OCCASION_WORDS[value].label }))}
				onchange={(next) => (occasion = next)}
			/>
			<Select
				label="Place"
				value={venue}
				options={venueSchema.options.map((value) => ({ value, label: VENUE_WORDS[value].label }))}
				onchange={(next) => (venue = next)}
			/>
		</div>
		{#each STATIONS.filter(({ id: s }) => s !== 'arm' && s !== 'fly') as { id: station } (station)}
			{@const rows = at(station)}
			<section class="mt-6 break-inside-avoid" aria-label={stationTitle(station, aircraft)}>
				<h2 class="m-0 mb-1">{stationTitle(station, aircraft)}</h2>
				<ul
					class="m-0 min-h-4 list-none p-0"
					use:dragHandleZone={{ items: rows, flipDurationMs: 0, type: station, dropTargetStyle: {} }}
					onconsider={({ detail: { info, items: held } }) =>
						(dragged = info.trigger === TRIGGERS.DRAG_STOPPED ? null : { station, items: held })}
					onfinalize={(e) => {
						const ids = e.detail.items.map((item) => item.id);
						const was = items.filter((item) => item.station === station).map((item) => item.id);
						dragged = null;
						if (ids.join() !== was.join()) void reorder(station, ids);
					}}
				>
					{#each rows as item, index (item.id)}
						<li class="hairline flex flex-wrap items-center gap-x-2 gap-y-1 bg-sheet py-1.5 md:flex-nowrap">
							<span
								use:dragHandle
								class="no-print grid min-h-11 min-w-9 place-items-center text-ink-2"
								aria-label="Drag: {item.text}"><GripVertical size={18} /></span
							>
							<span class="print-box" aria-hidden="true"></span>
							<span class="min-w-0 flex-1 basis-56">
								<span class="block">{item.text}</span>
								<span class="block text-note text-ink-2">
									{item.limit ? `${limitWords(item)} (${item.limit.source})` : ''}
									{item.because ? `Because: ${item.because}.` : ''}
									{own.has(item.id) ? 'Your own.' : ''}
								</span>
							</span>
							<span class="no-print flex flex-wrap items-center">
								<button
									type="button"
									class="grid min-h-11 min-w-11 place-items-center rounded text-ink-2 hover:bg-action-soft disabled:opacity-40"
									disabled={index === 0}
									aria-label="Up: {item.text}"
									onclick={() => move(station, index, -1)}><ArrowUp size={18} /></button
								>
								<button
									type="button"
									class="grid min-h-11 min-w-11 place-items-center rounded text-ink-2 hover:bg-action-soft disabled:opacity-40"
									disabled={index === rows.length - 1}
									aria-label="Down: {item.text}"
									onclick={() => move(station, index, 1)}><ArrowDown size={18} /></button
								>
								{#if own.has(item.id)}
									<Button kind="quiet" onclick={() => (editing = { station, item: own.get(item.id) ?? null })}
										>Change</Button
									>
									<Button
										kind="quiet"
										onclick={() => void keep({ items: list.items.filter((o) => o.id !== item.id) }, 'Taken out')}
										>Take out</Button
									>
								{:else}
									{#if item.limit}<Button
											kind="quiet"
											onclick={() =>
												(limiting = {
													item,
													low: item.limit?.low ?? null,
													high: item.limit?.high ?? null,
													source: list.limits[item.id]?.source ?? '',
												})}>Limit</Button
										>{/if}
									{#if mayBeOff(item)}<Button
											kind="quiet"
											onclick={() => void keep({ off: [...list.off, item.id] }, 'Left off')}>Leave off</Button
										>{/if}
								{/if}
							</span>
						</li>
					{/each}
				</ul>
				<div class="no-print mt-1">
					<Button kind="quiet" onclick={() => (editing = { station, item: null })}
						>Add to {stationTitle(station, aircraft)}</Button
					>
				</div>
			</section>
		{/each}
		{#if off.length > 0}
			<section class="no-print mt-8">
				<h2 class="m-0 mb-1">Left off</h2>
				<ul class="m-0 list-none p-0">
					{#each off as item (item.id)}
						<li class="hairline flex items-center gap-3 py-1.5">
							<span class="min-w-0 flex-1">{item.text}</span>
							<Button
								kind="quiet"
								onclick={() => void keep({ off: list.off.filter((o) => o !== item.id) }, 'Asked again')}
								>Ask it again</Button
							>
						</li>
					{/each}
				</ul>
			</section>
		{/if}
		<p class="no-print mt-6 max-w-read text-small text-ink-2">
			What holds a flight cannot be left off here: where it does not apply, it is set aside in the session with its
			reason, so that whoever reads the record sees it.
		</p>
	</Page>
{/if}

<Dialog
	bind:open={() => editing !== null, (open) => !open && (editing = null)}
	title={editing?.item ? 'Change check' : 'New check'}
>
	{#if editing}<OwnItemForm station={editing.station} item={editing.item} newid={newId} onsave={saveItem} />{/if}
</Dialog>

<Dialog
	bind:open={() => limiting !== null, (open) => !open && (limiting = null)}
	title="Your limit"
	description={limiting?.item.text ?? ''}
>
	{#if limiting}
		{@const change = limiting}
		<form
			class="grid gap-4"
			onsubmit={(event) => {
				event.preventDefault();
				saveLimit();
			}}
		>
			<div class="flex flex-wrap gap-4">
				<Quantity
					label="At least"
					of={change.item.limit?.quantity}
					unit={change.item.limit?.unit ?? ''}
					value={change.low}
					onchange={(low) => (limiting = { ...change, low })}
				/>
				<Quantity
					label="At most"
					of={change.item.limit?.quantity}
					unit={change.item.limit?.unit ?? ''}
					value={change.high}
					onchange={(high) => (limiting = { ...change, high })}
				/>
			</div>
			<TextField
				label="Where it comes from: the manual, the rule, the page"
				maxlength={200}
				value={change.source}
				oninput={(e) => (limiting = { ...change, source: e.currentTarget.value })}
			/>
			<div class="flex flex-wrap gap-3">
				<Button kind="primary" type="submit">Keep it</Button>
				{#if list.limits[change.item.id]}<Button class="min-h-14" onclick={() => dropLimit(change.item)}
						>As it was made</Button
					>{/if}
			</div>
		</form>
	{/if}
</Dialog>
