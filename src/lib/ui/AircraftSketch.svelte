<script lang="ts">
	import { apply, multiply, type Mat3 } from '$lib/core/frames/mat3';
	import { rotationX, rotationZ } from '$lib/core/frames/rotation';
	import type { Vec3 } from '$lib/core/frames/vec3';

	/** A line drawing of an aircraft held in an attitude (body → north, east, down), seen from behind and above. */
	type Props = { attitude: Mat3; rotors?: number; size?: number; ink?: string; nose?: string };
	let { attitude, rotors = 4, size = 110, ink = 'var(--ink)', nose = 'var(--action)' }: Props = $props();

	/** The eye stands behind, 28° above: north is away from it. */
	const EYE = multiply(rotationX((28 * Math.PI) / 180), rotationZ((-18 * Math.PI) / 180));
	const SCALE = 40;

	const project = (body: Vec3) => {
		const [n, e, d] = apply(attitude, body);
		// Camera axes: right = east, up = −down, depth = north.
		const [x, depth, up] = apply(EYE, [e, n, -d]);
		return { x: 60 + SCALE * x, y: 60 - SCALE * up, depth };
	};
	const arms = $derived(
		rotors === 0
			? []
			: Array.from({ length: rotors }, (_, k): Vec3 => {
					const a = (2 * Math.PI * (k + 0.5)) / rotors;
					return [Math.cos(a), Math.sin(a), 0];
				}),
	);
	const disc = (centre: Vec3) =>
		Array.from({ length: 19 }, (_, k) => {
			const a = (2 * Math.PI * k) / 18;
			const { x, y } = project([centre[0] + 0.34 * Math.cos(a), centre[1] + 0.34 * Math.sin(a), centre[2] - 0.06]);
			return `${k === 0 ? 'M' : 'L'}${x.toFixed(1)} ${y.toFixed(1)}`;
		}).join('');
	const path = (...points: Vec3[]) =>
		points
			.map((p, k) => {
				const { x, y } = project(p);
				return `${k === 0 ? 'M' : 'L'}${x.toFixed(1)} ${y.toFixed(1)}`;
			})
			.join('');
</script>

<svg
	width={size}
	height={size}
	viewBox="0 0 120 120"
	fill="none"
	stroke-linecap="round"
	stroke-linejoin="round"
	aria-hidden="true"
>
	{#if rotors === 0}
		<path
			d={path([0.8, 0, 0], [-0.5, 1.2, 0], [-0.6, 0.9, 0], [-0.3, 0, 0], [-0.6, -0.9, 0], [-0.5, -1.2, 0], [0.8, 0, 0])}
			stroke={ink}
			stroke-width="2.5"
		/>
	{:else}
		{#each arms as arm, k (k)}
			<path d={path([0, 0, 0], arm)} stroke={ink} stroke-width="3" />
			<path d={disc(arm)} stroke={ink} stroke-width="2.2" />
		{/each}
	{/if}
	<path d={path([0, 0, 0], [0.75, 0, 0])} stroke={nose} stroke-width="5" />
	<!-- Skids: which side is down is told by them. -->
	{#each [-0.3, 0.3] as side (side)}
		<path d={path([0.2, side, 0], [0.2, side * 1.3, 0.42])} stroke={ink} stroke-width="2" />
		<path d={path([-0.2, side, 0], [-0.2, side * 1.3, 0.42])} stroke={ink} stroke-width="2" />
		<path d={path([0.45, side * 1.3, 0.42], [-0.45, side * 1.3, 0.42])} stroke={ink} stroke-width="3.4" />
	{/each}
</svg>
