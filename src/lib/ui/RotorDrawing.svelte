<script lang="ts">
	/** An aircraft from above, nose up: each motor with its number, the way it turns, and what was found of it. */
	interface Rotor {
		name: string;
		words: string;
		/** Forward and right, on the unit circle. */
		x: number;
		y: number;
		/** +1 clockwise seen from above. */
		spin: number;
		/** One above, one below on the same arm. */
		lower: boolean;
		state: 'plain' | 'asked' | 'done' | 'wrong';
	}
	type Props = {
		rotors: readonly Rotor[];
		label: string;
		/** Whether the way each turns is drawn. */
		ways?: boolean;
		onpick?: ((name: string) => void) | null;
	};
	let { rotors, label, ways = true, onpick = null }: Props = $props();

	const SIZE = 320;
	const C = SIZE / 2;
	const ARM = 104;
	const R = $derived(rotors.length > 6 ? 30 : 38);
	const LOWER = 20;
	const at = ({ x, y, lower }: Rotor) => ({
		cx: C + ARM * y + (lower ? LOWER : 0),
		cy: C + 8 - ARM * x + (lower ? LOWER : 0),
	});
	/** Three quarters of a turn with its head, about the middle of a motor. */
	const arc = (spin: number, r: number) =>
		spin > 0
			? `M${-0.7 * r} ${-0.7 * r}A${r} ${r} 0 1 1 ${-0.7 * r} ${0.7 * r}`
			: `M${0.7 * r} ${-0.7 * r}A${r} ${r} 0 1 0 ${0.7 * r} ${0.7 * r}`;
	const head = (spin: number, r: number) =>
		spin > 0
			? `M${-0.7 * r - 2} ${0.7 * r + 9}L${-0.7 * r} ${0.7 * r}L${-0.7 * r + 9} ${0.7 * r + 3}`
			: `M${0.7 * r + 2} ${0.7 * r + 9}L${0.7 * r} ${0.7 * r}L${0.7 * r - 9} ${0.7 * r + 3}`;
	const FILL = {
		plain: 'var(--sheet)',
		asked: 'var(--action-soft)',
		done: 'var(--clear-soft)',
		wrong: 'var(--hold-soft)',
	};
	const LINE = { plain: 'var(--ink-2)', asked: 'var(--action)', done: 'var(--clear)', wrong: 'var(--hold)' };
	function key(event: KeyboardEvent, name: string) {
		if (event.key !== 'Enter' && event.key !== ' ') return;
		event.preventDefault();
		event.stopPropagation();
		onpick?.(name);
	}
</script>

<svg
	viewBox="0 0 {SIZE} {SIZE}"
	class="block h-auto w-full max-w-[320px]"
	role={onpick ? 'group' : 'img'}
	aria-label={label}
>
	<path d="M{C} 14V40M{C - 8} 24L{C} 14L{C + 8} 24" fill="none" stroke="var(--ink)" stroke-width="2.5" />
	<text x={C + 14} y="26" font-size="14" font-weight="700" fill="var(--ink)">nose</text>
	{#each rotors as rotor (rotor.name)}
		{@const { cx, cy } = at(rotor)}
		<path d="M{C} {C + 8}L{cx} {cy}" stroke="var(--rule)" stroke-width="7" />
	{/each}
	<rect
		x={C - 20}
		y={C - 20}
		width="40"
		height="56"
		rx="8"
		fill="var(--sheet)"
		stroke="var(--ink-2)"
		stroke-width="2"
	/>
	{#each rotors as rotor, k (rotor.name)}
		{@const { cx, cy } = at(rotor)}
		{#if onpick}
			<g
				transform="translate({cx} {cy})"
				role="button"
				tabindex="0"
				aria-label="{k + 1}, {rotor.words}"
				class="cursor-pointer"
				onclick={() => onpick(rotor.name)}
				onkeydown={(event) => key(event, rotor.name)}>{@render motor(rotor, k + 1)}</g
			>
		{:else}
			<g transform="translate({cx} {cy})">{@render motor(rotor, k + 1)}</g>
		{/if}
	{/each}
</svg>

{#snippet motor(rotor: Rotor, number: number)}
	<circle
		r={R}
		fill={FILL[rotor.state]}
		stroke={LINE[rotor.state]}
		stroke-width={rotor.state === 'plain' ? 1.5 : 3}
		stroke-dasharray={rotor.lower ? '5 4' : undefined}
	/>
	{#if ways}
		<path d={arc(rotor.spin, R - 10)} fill="none" stroke="var(--ink)" stroke-width="2.5" />
		<path d={head(rotor.spin, R - 10)} fill="none" stroke="var(--ink)" stroke-width="2.5" />
	{/if}
	<text y="6" text-anchor="middle" font-size="18" font-weight="700" fill="var(--ink)">{number}</text>
{/snippet}
