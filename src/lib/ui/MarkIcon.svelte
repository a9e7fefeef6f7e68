<script lang="ts">
	import type { Mark } from '$lib/schema/records';
	import { MARK_WORDS } from './marks';

	let { mark, size = 28, word = true }: { mark: Mark; size?: number; word?: boolean } = $props();

	const COLOUR: Record<Mark, string> = {
		clear: 'var(--clear)',
		caution: 'var(--caution)',
		hold: 'var(--hold)',
		unseen: 'var(--unseen)',
		aside: 'var(--aside)',
	};
</script>

<!-- A gate across the route: two posts; open with an arrow, bar slanting, bar across, dashed posts, or the route bent round. -->
<svg
	width={size}
	height={size}
	viewBox="0 0 28 28"
	fill="none"
	stroke={COLOUR[mark]}
	role={word ? 'img' : undefined}
	aria-hidden={word ? undefined : true}
	aria-label={word ? MARK_WORDS[mark] : undefined}
	class="shrink-0"
>
	{#if mark === 'unseen'}
		<rect x="3.7" y="7.7" width="4.6" height="12.6" rx="2.3" stroke-width="1.6" stroke-dasharray="2 1.7" />
		<rect x="19.7" y="7.7" width="4.6" height="12.6" rx="2.3" stroke-width="1.6" stroke-dasharray="2 1.7" />
	{:else}
		<g fill={COLOUR[mark]} stroke="none">
			<rect x="3" y="7" width="6" height="14" rx="2" />
			<rect x="19" y="7" width="6" height="14" rx="2" />
		</g>
		{#if mark === 'clear'}
			<path d="M14 21.5V7.5m-3 3.6 3-3.8 3 3.8" stroke-width="2.2" stroke-linecap="round" stroke-linejoin="round" />
		{:else if mark === 'caution'}
			<path d="M6.5 19.5 17.5 10" stroke-width="3.6" stroke-linecap="round" />
		{:else if mark === 'hold'}
			<path d="M6 14h16" stroke-width="4.4" />
		{:else}
			<path d="M14 4c0 4 12.5 4.5 12.5 10S14 20 14 24.5" stroke-width="2.2" stroke-linecap="round" />
		{/if}
	{/if}
</svg>
