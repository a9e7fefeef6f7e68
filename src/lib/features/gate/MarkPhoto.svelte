<script lang="ts">
	import Quantity from '$lib/ui/Quantity.svelte';
	import { PHOTO } from '$lib/core/return/landingLimits';
	import { landingOnPhoto, takenAs, type PhotoLanding, type Pixel } from '$lib/core/return/markPhoto';
	import { InputError } from '$lib/core/finding/inputError';
	import { bearingWord } from '$lib/words/bearing';
	import { formatQuantity, toUnit, unitSymbol } from '$lib/words/units';
	import FileButton from '$lib/ui/FileButton.svelte';
	import Directions from '$lib/ui/Directions.svelte';
	import NumberField from '$lib/ui/NumberField.svelte';
	import PointPicker from '$lib/ui/PointPicker.svelte';
	import { prefer, preferences, units } from '$lib/ui/preferences.svelte';

	/** A landing measured on a photo of the mark and the aircraft: four corners and the place below it are pressed one by one. */
	let { onmeasured }: { onmeasured: (found: { landing: PhotoLanding; how: 'paces' | 'tape' } | null) => void } =
		$props();
	const ASKED = [
		'the near left corner of the mark',
		'its far left corner',
		'its far right corner',
		'its near right corner',
		'the ground below the middle of the aircraft',
	] as const;

	let url = $state('');
	let scale = $state(1);
	let points = $state<Pixel[]>([]);
	let lookedDeg = $state<number | null>(null);
	/** Chosen as one of eight: known no better than that. */
	let isEighth = $state(false);
	$effect(() => () => URL.revokeObjectURL(url));

	const found = $derived.by((): { landing: PhotoLanding } | { problem: string } | null => {
		if (points.length < ASKED.length || lookedDeg === null) return null;
		try {
			const size = { acrossM: preferences.markAcrossM, alongM: preferences.markAlongM };
			const how = {
				tapPx: PHOTO.tapPx.value * scale,
				lookedSigmaDeg: (isEighth ? PHOTO.lookedEighthDeg : PHOTO.lookedDeg).value,
			};
			return { landing: landingOnPhoto(points.slice(0, 4), points[4], size, lookedDeg, how) };
		} catch (error) {
			if (error instanceof InputError) return { problem: error.message };
			throw error;
		}
	});
	const how = $derived(found && 'landing' in found ? takenAs(found.landing) : null);
	$effect(() => {
		onmeasured(found && 'landing' in found && how ? { landing: found.landing, how } : null);
	});

	function open(file: File) {
		URL.revokeObjectURL(url);
		[url, points] = [URL.createObjectURL(file), []];
	}
	const shown = (m: number) => toUnit(m, 'height', units());
</script>

<div class="grid gap-4">
	<p class="m-0 max-w-read text-small text-ink-2">
		One picture with the whole mark and the ground below the aircraft in it, taken from the near side of the mark, on
		level ground. It stays on this device and is not kept.
	</p>
	<div class="flex flex-wrap items-end gap-4">
		<Quantity
			label="Mark: its near edge"
			of="height"
			min={0.05}
			max={10}
			value={preferences.markAcrossM}
			onchange={(v) => v !== null && prefer({ markAcrossM: v })}
		/>
		<Quantity
			label="its length away from you"
			of="height"
			min={0.05}
			max={10}
			value={preferences.markAlongM}
			onchange={(v) => v !== null && prefer({ markAlongM: v })}
		/>
		<NumberField
			label="Looked toward"
			unit="°"
			min={0}
			max={360}
			value={lookedDeg}
			note="from true north, across the near edge"
			onchange={(v) => ([lookedDeg, isEighth] = [v, false])}
		/>
		<FileButton
			label={url ? 'Another photo' : 'Open or take the photo'}
			what="photo of the mark"
			accept="image/*"
			onfile={open}
		/>
	</div>
	<Directions
		label="Looked toward, by direction"
		value={lookedDeg}
		onchange={(deg) => ([lookedDeg, isEighth] = [deg, true])}
	/>
	{#if url}
		<PointPicker src={url} alt="The mark and the aircraft" asked={ASKED} closed={4} bind:points bind:scale />
		<div class="flex flex-wrap items-center gap-4">
			{#if found && 'problem' in found}<p class="m-0 font-semibold text-hold" role="alert">{found.problem}</p>{/if}
			{#if found && 'landing' in found}
				{@const { distanceM, sigmaM, bearingDeg } = found.landing}
				<p class="m-0 text-step" aria-live="polite">
					<b>{formatQuantity(distanceM, 'height', units())} ± {shown(sigmaM).toFixed(2)}</b>
					{unitSymbol('height', units())}, {bearingWord(bearingDeg)} of the middle of the mark{how
						? ''
						: ': too far for this mark, measure it by steps or tape'}
				</p>
			{/if}
			{#if points.length === ASKED.length && lookedDeg === null}<p class="m-0 font-semibold">
					Say toward where the picture was taken.
				</p>{/if}
		</div>
	{/if}
</div>
