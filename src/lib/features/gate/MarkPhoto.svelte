<script lang="ts">
	import { landingOnPhoto, takenAs, type PhotoLanding, type Pixel } from '$lib/core/return/markPhoto';
	import { InputError } from '$lib/core/finding/inputError';
	import { bearingWord } from '$lib/core/words/bearing';
	import { formatQuantity, fromUnit, toUnit, unitSymbol } from '$lib/core/words/units';
	import Button from '$lib/ui/Button.svelte';
	import FileButton from '$lib/ui/FileButton.svelte';
	import NumberField from '$lib/ui/NumberField.svelte';
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
	/** How well a finger or a mouse hits a place on the shown picture, shown pixels. */
	const TAP_SHOWN_PX = 2.5;
	/** A direction chosen from eight, or read off a compass by eye. */
	const LOOKED_SIGMA_DEG = 5;

	let url = $state('');
	let [width, height] = $state([0, 0]);
	let shownWidth = $state(640);
	let points = $state<Pixel[]>([]);
	let cursor = $state<Pixel>({ x: 0, y: 0 });
	let lookedDeg = $state<number | null>(null);
	$effect(() => () => URL.revokeObjectURL(url));

	const scale = $derived(width / Math.max(1, shownWidth));
	const found = $derived.by((): { landing: PhotoLanding } | { problem: string } | null => {
		if (points.length < ASKED.length || lookedDeg === null) return null;
		try {
			const size = { acrossM: preferences.markAcrossM, alongM: preferences.markAlongM };
			const how = { tapPx: TAP_SHOWN_PX * scale, lookedSigmaDeg: LOOKED_SIGMA_DEG };
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
	const put = (p: Pixel) => {
		if (points.length < ASKED.length) points = [...points, p];
	};
	function press(event: PointerEvent) {
		const box = (event.currentTarget as Element).getBoundingClientRect();
		put({
			x: ((event.clientX - box.left) / box.width) * width,
			y: ((event.clientY - box.top) / box.height) * height,
		});
	}
	function key(event: KeyboardEvent) {
		const by = (event.shiftKey ? 20 : 2) * scale;
		const move = { ArrowLeft: [-by, 0], ArrowRight: [by, 0], ArrowUp: [0, -by], ArrowDown: [0, by] }[event.key];
		if (move)
			cursor = {
				x: Math.max(0, Math.min(width, cursor.x + move[0])),
				y: Math.max(0, Math.min(height, cursor.y + move[1])),
			};
		else if (event.key === 'Enter' || event.key === ' ') put(cursor);
		else if (event.key === 'Backspace') points = points.slice(0, -1);
		else return;
		event.preventDefault();
		event.stopPropagation();
	}
	const grip = $derived(7 * scale);
	const shown = (m: number) => toUnit(m, 'height', units());
	const edge = (v: number | null) => (v === null ? undefined : fromUnit(v, 'height', units()));
</script>

<div class="grid gap-4">
	<p class="m-0 max-w-[62ch] text-[15px] text-ink-2">
		One picture with the whole mark and the ground below the aircraft in it, taken from the near side of the mark, on
		level ground. It stays on this device and is not kept.
	</p>
	<div class="flex flex-wrap items-end gap-4">
		<NumberField
			label="Mark: its near edge"
			unit={unitSymbol('height', units())}
			min={shown(0.05)}
			max={shown(10)}
			value={shown(preferences.markAcrossM)}
			onchange={(v) => v !== null && prefer({ markAcrossM: edge(v) ?? preferences.markAcrossM })}
		/>
		<NumberField
			label="its length away from you"
			unit={unitSymbol('height', units())}
			min={shown(0.05)}
			max={shown(10)}
			value={shown(preferences.markAlongM)}
			onchange={(v) => v !== null && prefer({ markAlongM: edge(v) ?? preferences.markAlongM })}
		/>
		<NumberField
			label="Looked toward"
			unit="°"
			min={0}
			max={360}
			value={lookedDeg}
			note="from true north, across the near edge"
			onchange={(v) => (lookedDeg = v)}
		/>
		<FileButton
			label={url ? 'Another photo' : 'Open or take the photo'}
			what="photo of the mark"
			accept="image/*"
			onfile={open}
		/>
	</div>
	{#if url}
		<p class="m-0 text-[19px] font-semibold" aria-live="polite">
			{points.length < ASKED.length ? `Press ${ASKED[points.length]}` : 'All five are pressed'}
		</p>
		<div class="relative max-w-[720px]" bind:clientWidth={shownWidth}>
			<img
				src={url}
				alt="The mark and the aircraft"
				class="block w-full"
				onload={(event) => {
					const image = event.currentTarget as HTMLImageElement;
					[width, height] = [image.naturalWidth, image.naturalHeight];
					cursor = { x: width / 2, y: height / 2 };
				}}
			/>
			{#if width > 0}
				<!-- svelte-ignore a11y_no_noninteractive_tabindex, a11y_no_noninteractive_element_interactions -->
				<svg
					viewBox="0 0 {width} {height}"
					class="absolute inset-0 block h-full w-full cursor-crosshair"
					role="application"
					tabindex="0"
					aria-label="Places on the photo: move with the arrow keys, press Enter to put one, Backspace to take it back"
					onpointerup={press}
					onkeydown={key}
				>
					{#if points.length > 1}
						<path
							d="M{points
								.slice(0, 4)
								.map(({ x, y }) => `${x} ${y}`)
								.join('L')}{points.length >= 4 ? 'Z' : ''}"
							fill="none"
							stroke="#fffdf8"
							stroke-width={grip / 2}
						/>
					{/if}
					{#each points as { x, y }, k (k)}
						<circle cx={x} cy={y} r={grip} fill="#fffdf8" stroke="#9e1f3c" stroke-width={grip / 3} />
					{/each}
					<path
						d="M{cursor.x - 2 * grip} {cursor.y}h{4 * grip}M{cursor.x} {cursor.y - 2 * grip}v{4 * grip}"
						stroke="#fffdf8"
						stroke-width={grip / 4}
					/>
				</svg>
			{/if}
		</div>
		<div class="flex flex-wrap items-center gap-4">
			{#if points.length > 0}<Button onclick={() => (points = points.slice(0, -1))}>Take the last one back</Button>{/if}
			{#if found && 'problem' in found}<p class="m-0 font-semibold text-hold" role="alert">{found.problem}</p>{/if}
			{#if found && 'landing' in found}
				{@const { distanceM, sigmaM, bearingDeg } = found.landing}
				<p class="m-0 text-[19px]" aria-live="polite">
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
