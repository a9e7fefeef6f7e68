<script lang="ts">
	import Button from './Button.svelte';

	/** Places on a picture, pressed one after the other in the order they are asked for; or moved to with the arrow keys. */
	interface Place {
		x: number;
		y: number;
	}
	type Props = {
		src: string;
		alt: string;
		/** What is asked for, one by one: "the near left corner". */
		asked: readonly string[];
		/** The first so many are joined by a closed line; else all by an open one. */
		closed?: number;
		/** Pixels of the picture. */
		points: Place[];
		/** Pixels of the picture for one that is shown. */
		scale?: number;
	};
	let { src, alt, asked, closed = 0, points = $bindable(), scale = $bindable(1) }: Props = $props();

	let [width, height] = $state([0, 0]);
	let shownWidth = $state(640);
	let cursor = $state<Place>({ x: 0, y: 0 });
	const by = $derived(width / Math.max(1, shownWidth));
	const grip = $derived(7 * by);
	const line = $derived(closed > 0 ? points.slice(0, closed) : points);
	$effect(() => {
		scale = by;
	});

	const put = (p: Place) => {
		if (points.length < asked.length) points = [...points, p];
	};
	function press(event: PointerEvent) {
		const box = (event.currentTarget as Element).getBoundingClientRect();
		put({
			x: ((event.clientX - box.left) / box.width) * width,
			y: ((event.clientY - box.top) / box.height) * height,
		});
	}
	function key(event: KeyboardEvent) {
		const step = (event.shiftKey ? 20 : 2) * by;
		const move = { ArrowLeft: [-step, 0], ArrowRight: [step, 0], ArrowUp: [0, -step], ArrowDown: [0, step] }[event.key];
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
</script>

<p class="m-0 text-step font-semibold" aria-live="polite">
	{points.length < asked.length ? `Press ${asked[points.length]}` : 'Everything is pressed'}
</p>
<div class="relative max-w-[720px]" bind:clientWidth={shownWidth}>
	<img
		{src}
		{alt}
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
			aria-label="Places on the picture: move with the arrow keys, press Enter to put one, Backspace to take it back"
			onpointerup={press}
			onkeydown={key}
		>
			{#if line.length > 1}
				<path
					d="M{line.map(({ x, y }) => `${x} ${y}`).join('L')}{closed > 0 && line.length >= closed ? 'Z' : ''}"
					fill="none"
					stroke="#fffdf8"
					stroke-width={grip / 2}
				/>
			{/if}
			{#each points as { x, y }, k (k)}
				<circle cx={x} cy={y} r={grip} fill="none" stroke="#fffdf8" stroke-width={grip / 1.6} />
				<circle cx={x} cy={y} r={grip} fill="none" stroke="#9e1f3c" stroke-width={grip / 3} />
			{/each}
			<path
				d="M{cursor.x - 2 * grip} {cursor.y}h{4 * grip}M{cursor.x} {cursor.y - 2 * grip}v{4 * grip}"
				stroke="#fffdf8"
				stroke-width={grip / 4}
			/>
		</svg>
	{/if}
</div>
{#if points.length > 0}<div>
		<Button onclick={() => (points = points.slice(0, -1))}>Take the last one back</Button>
	</div>{/if}
