<script lang="ts">
	/** How a board sits in an aircraft seen from above, nose up: its arrow, and whether it lies flat, on its head or on an edge. */
	type Props = { title: string; yawDeg: number; pitchDeg: number; rollDeg: number };
	let { title, yawDeg, pitchDeg, rollDeg }: Props = $props();
	const turn = (deg: number) => ((Math.round(deg) % 360) + 360) % 360;
	const [roll, pitch, yaw] = $derived([turn(rollDeg), turn(pitchDeg), turn(yawDeg)]);
	const onHead = $derived((roll > 90 && roll < 270) !== (pitch > 90 && pitch < 270));
	const onEdge = $derived(roll % 180 !== 0 || pitch % 180 !== 0);
	const words = $derived(
		[
			onEdge ? 'it stands on an edge' : onHead ? 'it lies on its head, its parts down' : 'it lies flat, its parts up',
			yaw === 0
				? 'its arrow forward'
				: `its arrow turned ${yaw <= 180 ? `${yaw}° to the right` : `${360 - yaw}° to the left`}`,
		].join(', '),
	);
</script>

<figure class="m-0">
	<figcaption class="mb-1 font-semibold">{title}: {words}</figcaption>
	<svg viewBox="0 0 260 260" class="block h-auto w-full max-w-[260px]" role="img" aria-label={words}>
		<path d="M130 12V36M122 22L130 12L138 22" fill="none" stroke="var(--ink)" stroke-width="2.5" />
		<text x="146" y="24" font-size="14" font-weight="700" fill="var(--ink)">nose</text>
		{#each [45, 135, 225, 315] as arm (arm)}
			<line
				x1="130"
				y1="140"
				x2={130 + 92 * Math.sin((arm * Math.PI) / 180)}
				y2={140 - 92 * Math.cos((arm * Math.PI) / 180)}
				stroke="var(--rule)"
				stroke-width="9"
			/>
		{/each}
		<g transform="rotate({yaw} 130 140)">
			<rect
				x={onEdge ? 112 : 90}
				y="96"
				width={onEdge ? 36 : 80}
				height="88"
				rx="6"
				fill={onHead ? 'var(--ink-2)' : 'var(--action-soft)'}
				stroke="var(--ink)"
				stroke-width="2"
				stroke-dasharray={onHead ? '6 4' : undefined}
			/>
			<path
				d="M130 172V112M116 128L130 110L144 128"
				fill="none"
				stroke={onHead ? 'var(--sheet)' : 'var(--ink)'}
				stroke-width="4"
			/>
		</g>
	</svg>
	<p class="m-0 text-small text-ink-2">
		Seen from above{onEdge ? `; yaw ${yaw}°, pitch ${pitch}°, roll ${roll}°` : ''}.
	</p>
</figure>
