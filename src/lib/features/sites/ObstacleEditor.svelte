<script lang="ts">
	import TextField from '$lib/ui/TextField.svelte';
	import Trash from '@lucide/svelte/icons/trash';
	import { directGeodesic } from '$lib/core/earth/geodesy';
	import { obstaclesGeoJson, readObstacles } from '$lib/core/record/obstacles';
	import { readText } from '$lib/instruments/readText';
	import { newId } from '$lib/store/newId';
	import Button from '$lib/ui/Button.svelte';
	import FileButton from '$lib/ui/FileButton.svelte';
	import Quantity from '$lib/ui/Quantity.svelte';
	import { download } from '$lib/ui/download';
	import { done, failed } from '$lib/ui/notify';
	import ObstacleSheet from './ObstacleSheet.svelte';
	import { isWhole, type DraftObstacle } from './draftObstacles';

	/** Trees, masts, wires and buildings about the home mark: typed, paced, drawn on a sheet, or from a file. */
	type Props = {
		rows: readonly DraftObstacle[];
		home: { latDeg: number; lonDeg: number } | null;
		onchange: (rows: DraftObstacle[]) => void;
	};
	let { rows, home, onchange }: Props = $props();
	let drawing = $state(false);

	const MEASURES = [
		{ key: 'bearingDeg', label: 'Toward', most: 360, length: false },
		{ key: 'distanceM', label: 'Distance', most: 20_000, length: true },
		{ key: 'heightM', label: 'Height', most: 1000, length: true },
		{ key: 'widthM', label: 'Width, if wide', most: 10_000, length: true },
	] as const;

	function change(id: string, key: keyof DraftObstacle, value: string | number | undefined) {
		onchange(
			rows.map((o) => {
				if (o.id !== id) return o;
				const next = { ...o, [key]: value };
				if (value === undefined) delete next[key];
				return next;
			}),
		);
	}
	const add = (more: Partial<DraftObstacle> = {}) => onchange([...rows, { id: newId(), ...more }]);
	async function read(file: File) {
		if (!home) return;
		try {
			const found = readObstacles(await readText(file), file.name, home);
			onchange([...rows, ...found.map((o) => ({ id: newId(), ...o }))].slice(0, 200));
			done(`${found.length} read; a height that the file does not tell is to be entered`);
		} catch (error) {
			failed(error);
		}
	}
	function save() {
		if (!home) return;
		const at = (bearingDeg: number, distanceM: number) =>
			directGeodesic(home.latDeg, home.lonDeg, bearingDeg, distanceM);
		download('obstacles.geojson', obstaclesGeoJson(rows.filter(isWhole), at), 'application/geo+json');
	}
</script>

<fieldset class="m-0 border-0 p-0">
	<legend class="p-0 font-semibold">Obstacles, as seen from the home point</legend>
	{#if drawing}
		<ObstacleSheet
			{rows}
			onadd={(bearingDeg, distanceM) => add({ bearingDeg, distanceM })}
			onmove={(id, bearingDeg, distanceM) =>
				onchange(rows.map((o) => (o.id === id ? { ...o, bearingDeg, distanceM } : o)))}
		/>
	{/if}
	{#each rows as obstacle, index (obstacle.id)}
		<div class="hairline flex flex-wrap items-end gap-x-3 py-2">
			<div class="min-w-32 flex-1">
				<TextField
					label="{index + 1}: what"
					class="w-full"
					maxlength={120}
					value={obstacle.name ?? ''}
					oninput={(e) => change(obstacle.id, 'name', e.currentTarget.value)}
				/>
			</div>
			{#each MEASURES as { key, label, most, length } (key)}
				<Quantity
					{label}
					of={length ? 'height' : undefined}
					unit="°"
					min={0}
					max={most}
					value={obstacle[key]}
					onchange={(v) => change(obstacle.id, key, v ?? undefined)}
				/>
			{/each}
			<button
				type="button"
				class="mb-1 grid min-h-11 min-w-11 place-items-center rounded text-ink-2 hover:bg-action-soft"
				aria-label="Take out {obstacle.name || 'it'}"
				onclick={() => onchange(rows.filter(({ id }) => id !== obstacle.id))}><Trash size={18} /></button
			>
		</div>
	{/each}
	<div class="flex flex-wrap gap-1">
		<Button kind="quiet" onclick={() => add()}>Add a tree, mast, wire or building</Button>
		<Button kind="quiet" aria-expanded={drawing} onclick={() => (drawing = !drawing)}
			>{drawing ? 'Close the sheet' : 'Draw it'}</Button
		>
		<FileButton
			label="From a file"
			what="Obstacles from a file"
			accept=".geojson,.json,.csv,.txt"
			kind="quiet"
			disabled={!home}
			onfile={(file) => void read(file)}
		/>
		{#if rows.some(isWhole) && home}<Button kind="quiet" onclick={save}>As GeoJSON</Button>{/if}
	</div>
</fieldset>
