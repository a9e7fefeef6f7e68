<script lang="ts">
	/** The picture that was measured, with the line found; two handles move the line where the pilot knows better. */
	type Props = { title: string; line: readonly [number, number, number, number] | null; url: string };
	let { title, line, url }: Props = $props();

	let width = $state(0);
	let height = $state(0);
	let moved = $state<{ left: number; right: number } | null>(null);
	let held = $state<'left' | 'right' | null>(null);
	const left = $derived(moved?.left ?? line?.[1] ?? height / 2);
	const right = $derived(moved?.right ?? line?.[3] ?? height / 2);
	const tilt = $derived(width > 0 ? (Math.atan2(right - left, width) * 180) / Math.PI : 0);
	const grip = $derived(Math.max(width, height) / 40);

	function drag(event: PointerEvent) {
		if (!held) return;
		const box = (event.currentTarget as Element).getBoundingClientRect();
		const at = Math.max(0, Math.min(height, ((event.clientY - box.top) / box.height) * height));
		moved = held === 'left' ? { left: at, right } : { left, right: at };
	}
	function key(event: KeyboardEvent, side: 'left' | 'right') {
		const step = { ArrowUp: -1, ArrowDown: 1 }[event.key];
		if (!step) return;
		event.preventDefault();
		const by = step * (event.shiftKey ? 10 : 1) * Math.max(1, height / 1000);
		moved = side === 'left' ? { left: left + by, right } : { left, right: right + by };
	}
</script>

{#if url}
	<figure class="m-0">
		<figcaption class="font-semibold">{title}</figcaption>
		<div class="relative max-w-[640px]">
			<img
				src={url}
				alt="As measured"
				class="block w-full"
				onload={(event) => {
					const image = event.currentTarget as HTMLImageElement;
					width = image.naturalWidth;
					height = image.naturalHeight;
				}}
			/>
			{#if width > 0 && line}
				<!-- svelte-ignore a11y_no_static_element_interactions -->
				<svg
					viewBox="0 0 {width} {height}"
					class="absolute inset-0 block h-full w-full touch-none"
					onpointermove={drag}
					onpointerup={() => (held = null)}
					onpointerleave={() => (held = null)}
				>
					<line x1="0" y1={left} x2={width} y2={right} stroke="#fffdf8" stroke-width={grip / 3} />
					<line x1="0" y1={left} x2={width} y2={right} stroke="#9e1f3c" stroke-width={grip / 7} />
					{#each [['left', grip * 1.4, left], ['right', width - grip * 1.4, right]] as const as [side, cx, cy] (side)}
						<circle
							{cx}
							{cy}
							r={grip}
							fill="#fffdf8"
							stroke="#9e1f3c"
							stroke-width={grip / 5}
							class="cursor-ns-resize"
							role="slider"
							tabindex="0"
							aria-label="{side} end of the line"
							aria-valuenow={Math.round(cy)}
							aria-valuemin={0}
							aria-valuemax={height}
							onpointerdown={(event) => {
								held = side;
								(event.currentTarget as Element).releasePointerCapture(event.pointerId);
							}}
							onkeydown={(event) => key(event, side)}
						/>
					{/each}
				</svg>
			{/if}
		</div>
		{#if line}
			<p class="mt-1 mb-0 text-small" aria-live="polite">
				{#if moved}
					Your line: <span class="figure-mono font-bold">{tilt >= 0 ? '' : '−'}{Math.abs(tilt).toFixed(2)}°</span>. Trim
					to enter:
					<span class="figure-mono font-bold">{tilt > 0 ? '−' : ''}{Math.abs(tilt).toFixed(1)}°</span>.
					<button type="button" class="text-action underline" onclick={() => (moved = null)}
						>Back to the line found</button
					>
				{:else}
					Drag an end, or use the arrow keys on it, where a skyline was taken for the horizon.
				{/if}
			</p>
		{/if}
	</figure>
{/if}
