<script lang="ts">
	import type { FilmTrack } from '$lib/core/film/trackFilm';
	import type { FilmFile } from './filmFile';

	/** The film with what was followed drawn over it: where the aircraft is, and where it was. */
	let { film, track }: { film: FilmFile; track: FilmTrack } = $props();
	const MOST = 600;
	let now = $state(0);
	let video = $state<HTMLVideoElement>();

	$effect(() => {
		const shown = video;
		if (!shown) return;
		let frame = requestAnimationFrame(function look() {
			now = shown.currentTime;
			frame = requestAnimationFrame(look);
		});
		return () => cancelAnimationFrame(frame);
	});
	const at = $derived(
		Math.max(
			0,
			track.t.findLastIndex((t) => t <= now + 1e-3),
		),
	);
	const step = $derived(Math.max(1, Math.ceil(track.t.length / MOST)));
	const path = $derived.by(() => {
		const parts: string[] = [];
		for (let i = 0; i <= at; i += step)
			if (!track.lost[i]) parts.push(`${track.u[i].toFixed(1)} ${track.v[i].toFixed(1)}`);
		return parts.length > 1 ? `M${parts.join('L')}` : '';
	});
	const radius = $derived(0.62 * track.widthPx * Math.exp(track.q[at] ?? 0));
</script>

<figure class="m-0">
	<figcaption class="mb-1 font-semibold">The film, with what was followed</figcaption>
	<div class="relative">
		<video bind:this={video} src={film.url} class="block w-full" controls muted playsinline></video>
		<svg
			viewBox="0 0 {track.width} {track.height}"
			class="pointer-events-none absolute inset-0 block h-full w-full"
			aria-hidden="true"
		>
			<path d={path} fill="none" stroke="#fffdf8" stroke-width="3" />
			<path d={path} fill="none" stroke="#24389c" stroke-width="1.5" />
			{#if track.t.length > 0}
				<circle
					cx={track.u[at] + track.shift[at].x}
					cy={track.v[at] + track.shift[at].y}
					r={radius}
					fill="none"
					stroke={track.lost[at] ? '#b3541e' : '#9e1f3c'}
					stroke-width="2"
				/>
			{/if}
		</svg>
	</div>
</figure>
