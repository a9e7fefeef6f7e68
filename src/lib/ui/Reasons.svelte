<script lang="ts">
	import { reasonFigures } from '$lib/ui/reasonFigures';
	import type { Reason } from '$lib/schema/common';
	import MarkIcon from './MarkIcon.svelte';
	import { MARK_OF_VERDICT } from './marks';
	import { units } from './preferences.svelte';
	import { worded } from './worded';

	/** Where a method is written down is for those who read the methods, not for the field. */
	const sourceWords = (source: string) => source.replace(/\s*\(docs\/[^)]*\)/, '');

	let { reasons }: { reasons: Reason[] } = $props();
</script>

<ul class="m-0 list-none p-0">
	{#each reasons as reason, index (`${reason.code}-${index}`)}
		{@const { text, next } = worded(reason)}
		<li class="hairline flex gap-3 py-3">
			<MarkIcon mark={MARK_OF_VERDICT[reason.level ?? 'pass']} size={24} />
			<div class="min-w-0">
				<p class="m-0">{text}</p>
				{#if reasonFigures(reason, units())}<p class="m-0 mt-0.5 font-mono text-mini tracking-tight text-ink-2">
						{reasonFigures(reason, units())}
					</p>{/if}
				{#if reason.source}<p class="m-0 text-mini text-ink-2">{sourceWords(reason.source)}</p>{/if}
				{#if next}<p class="m-0 mt-1 text-small font-semibold">{next}</p>{/if}
			</div>
		</li>
	{/each}
</ul>
