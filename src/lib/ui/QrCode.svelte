<script lang="ts">
	import { encode } from 'uqr';

	/** Text as a code that another device's camera reads. */
	let { text, label, size = 150 }: { text: string; label: string; size?: number } = $props();
	const code = $derived(encode(text, { border: 2 }));
	const path = $derived(
		code.data.flatMap((row, y) => row.flatMap((dark, x) => (dark ? [`M${x} ${y}h1v1h-1z`] : []))).join(''),
	);
</script>

<svg
	viewBox="0 0 {code.size} {code.size}"
	width={size}
	height={size}
	role="img"
	aria-label={label}
	shape-rendering="crispEdges"
>
	<rect width={code.size} height={code.size} fill="#fff" />
	<path d={path} fill="#000" />
</svg>
