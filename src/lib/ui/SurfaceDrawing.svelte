<script lang="ts">
	/** A wing from behind: which way each trailing edge is to go. */
	type Move = 'up' | 'down' | 'right' | 'left' | 'still';
	type Props = {
		kind: 'elevons' | 'separate' | 'v-tail';
		/** What each surface does; those that are not named stay as they are. */
		moves: Readonly<Partial<Record<'left' | 'right' | 'elevator' | 'rudder' | 'tail-left' | 'tail-right', Move>>>;
		label: string;
	};
	let { kind, moves, label }: Props = $props();
	const PLACES = {
		elevons: { left: [90, 92], right: [270, 92] },
		separate: { left: [70, 104], right: [290, 104], elevator: [180, 60], rudder: [180, 30] },
		'v-tail': { left: [70, 104], right: [290, 104], 'tail-left': [146, 44], 'tail-right': [214, 44] },
	} as const;
	const places = $derived(Object.entries(PLACES[kind]) as [keyof typeof moves, readonly [number, number]][]);
	const TURN: Record<Move, number> = { up: 0, down: 180, right: 90, left: 270, still: 0 };
	const tail = $derived(
		kind === 'separate'
			? 'M120 60H240M180 60V22'
			: kind === 'v-tail'
				? 'M180 84L136 34M180 84L224 34'
				: 'M36 92L24 66M324 92L336 66',
	);
	const span = $derived(kind === 'elevons' ? 'M24 92H336' : 'M16 104H344');
	const body = $derived(kind === 'elevons' ? 92 : 104);
</script>

<svg viewBox="0 0 360 150" class="block h-auto w-full max-w-[420px]" role="img" aria-label={label}>
	<path d={span} stroke="var(--ink-2)" stroke-width="5" stroke-linecap="round" />
	<path d={tail} fill="none" stroke="var(--ink-2)" stroke-width="4" stroke-linecap="round" />
	<circle cx="180" cy={body} r="17" fill="var(--sheet)" stroke="var(--ink-2)" stroke-width="2" />
	{#each places as [id, [x, y]] (id)}
		{@const move = moves[id]}
		{#if move && move !== 'still'}
			<g transform="translate({x} {y}) rotate({TURN[move]})">
				<path
					d="M0 16V-24M-11 -12L0 -26L11 -12"
					fill="none"
					stroke="var(--action)"
					stroke-width="5"
					stroke-linecap="round"
					stroke-linejoin="round"
				/>
			</g>
		{/if}
	{/each}
	<text x="180" y="144" text-anchor="middle" font-size="14" fill="var(--ink-2)">seen from behind</text>
</svg>
