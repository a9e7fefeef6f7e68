<script lang="ts">
	import { wanted } from '$lib/core/finding/grade';
	import type { Reason } from '$lib/schema/common';
	import MarkIcon from './MarkIcon.svelte';
	import { MARK_OF_VERDICT } from './marks';
	import { showNumber, showShare } from './format';

	let { reasons }: { reasons: Reason[] } = $props();

	/** Shares are shown in per cent: "of the model" is a unit that a share has, "of 255" is not. */
	const number = (value: number, unit = '') =>
		/^of \D/.test(unit) ? showShare(value) : `${showNumber(value)}${unit === '°' ? unit : ''}`;
	const figures = (reason: Reason) => {
		const { value, limit, unit = '' } = reason;
		const parts = [
			...(value === undefined ? [] : [number(value, unit)]),
			...(limit === undefined
				? []
				: [`${wanted(reason) ? `wanted ${wanted(reason)}` : 'limit'} ${number(limit, unit)}`]),
		];
		return parts.length === 0 ? '' : `${parts.join(' · ')}${unit === '°' ? '' : ` ${unit}`}`.trimEnd();
	};
</script>

<ul class="m-0 list-none p-0">
	{#each reasons as reason, index (`${reason.code}-${index}`)}
		<li class="hairline flex gap-3 py-3">
			<MarkIcon mark={MARK_OF_VERDICT[reason.level ?? 'pass']} size={24} />
			<div class="min-w-0">
				<p class="m-0">{reason.text}</p>
				{#if figures(reason)}<p class="m-0 mt-0.5 font-mono text-[13px] tracking-tight text-ink-2">
						{figures(reason)}
					</p>{/if}
				{#if reason.source}<p class="m-0 text-[13px] text-ink-2">{reason.source}</p>{/if}
				{#if reason.next}<p class="m-0 mt-1 text-[15px] font-semibold">{reason.next}</p>{/if}
			</div>
		</li>
	{/each}
</ul>
