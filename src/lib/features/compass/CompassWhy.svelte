<script lang="ts">
	import { showSigma } from '$lib/words/sigma';
	import type { CalibrationPayload } from '$lib/schema/entries';
	import Caution from '$lib/ui/Caution.svelte';
	import Reasons from '$lib/ui/Reasons.svelte';
	import type { CompassState } from './compassState.svelte';

	let { work, last }: { work: CompassState; last: CalibrationPayload | null } = $props();
</script>

<Caution
	><b>Propellers off.</b> Gimbal cover off or camera removed. Follow the maker's own routine first where it has one.</Caution
>
{#if work.answer}
	<h2 class="mt-5 mb-2">{work.phase === 'result' ? 'Why' : 'Why not yet'}</h2>
	<Reasons reasons={work.answer.reasons} />
{:else}
	<h2 class="mt-5 mb-2">What decides</h2>
	<p class="mt-0">
		The readings of a compass turned all round lie on an ellipsoid. Its middle is the iron on board; its shape is how
		that iron bends the field. What was never turned into the field stays unknown, so the next turn asked for is the one
		that tells most.
	</p>
	{#if work.model}
		<p>
			Here the model gives <b class="figure-mono">{work.model.totalUt.toFixed(1)} µT</b>, dipping
			<b class="figure-mono">{work.model.inclinationDeg.toFixed(1)}°</b>.
		</p>
	{:else if work.beyondModel}
		<p class="font-semibold">
			The date of this device is outside the field model, so strength and dip cannot be compared.
		</p>
	{/if}
	{#if last}
		<p class="text-small text-ink-2">
			In force: heading known to ±{showSigma(last.headingSigmaDeg)}°, from {last.sourceName}.
		</p>
	{/if}
{/if}
<p class="mt-4"><a href="/help/methods#compass">How is this computed?</a></p>
