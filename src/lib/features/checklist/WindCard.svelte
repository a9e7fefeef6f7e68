<script lang="ts">
	import Select from '$lib/ui/Select.svelte';
	import Quantity from '$lib/ui/Quantity.svelte';
	import type { Draft } from '$lib/schema/common';
	import { FEEL, FELT_AT_M, feltWind, type FeltWind } from '$lib/core/hover/feltWind';
	import { formatQuantity } from '$lib/words/units';
	import type { Grade } from '$lib/schema/entries';
	import type { Wind } from '$lib/schema/records';
	import Directions from '$lib/ui/Directions.svelte';
	import NumberField from '$lib/ui/NumberField.svelte';
	import { refuseInvalid } from '$lib/ui/refuse';
	import Button from '$lib/ui/Button.svelte';
	import { done, failed } from '$lib/ui/notify';
	import { units } from '$lib/ui/preferences.svelte';
	import { getSessionView } from '$lib/features/running/sessionView.svelte';

	const view = getSessionView();
	let byFeel = $state(false);
	/** How the wind is known. */
	let how = $state<Grade>('told');
	const SOURCES: readonly { grade: Grade; words: string }[] = [
		{ grade: 'read-off', words: 'Wind meter' },
		{ grade: 'seen', words: 'By eye' },
		{ grade: 'told', words: 'Forecast or by your word' },
	];
	let felt = $state.raw<FeltWind | null>(null);
	const round = (mps: number) => Math.round(mps * 10) / 10;
	let feltStep = $state<number | null>(null);
	function feel(step: number) {
		feltStep = step;
		felt = feltWind(step, FELT_AT_M);
		const { speedMps, gustMps } = felt;
		how = 'seen';
		draft = { ...draft, speedMps: round(speedMps), gustMps: round(gustMps) };
	}
	let draft = $state<Draft<Wind>>({});
	let problem = $state('');
	const now = $derived({ ...view.wind, ...draft });
	const speedWords = (mps: number) => formatQuantity(mps, 'speed', units());
	const complete = $derived(now.fromDeg !== undefined && now.speedMps !== undefined && now.gustMps !== undefined);

	async function save() {
		const { fromDeg, speedMps, gustMps } = now;
		if (fromDeg === undefined || speedMps === undefined || gustMps === undefined) return;
		if (gustMps < speedMps) {
			problem = 'Gusts are at least as strong as the mean wind: one of the two is a slip.';
			return;
		}
		problem = '';
		try {
			await view.record('return', {
				kind: 'wind',
				task: 'wind',
				grade: view.grade(how),
				fromDeg,
				speedMps,
				gustMps,
			});
			draft = {};
			done('Wind recorded');
		} catch (error) {
			failed(error);
		}
	}
</script>

<form
	{@attach refuseInvalid}
	class="flex flex-wrap items-start gap-4"
	onsubmit={(event) => {
		event.preventDefault();
		void save();
	}}
>
	<div class="flex basis-full flex-wrap items-end gap-4">
		<Button aria-expanded={byFeel} onclick={() => (byFeel = !byFeel)}>Estimate from what it moves</Button>
		{#if byFeel}
			<Directions label="It comes from" value={now.fromDeg ?? null} onchange={(deg) => (draft.fromDeg = deg)} />
			<Select
				label="What it moves"
				value={feltStep}
				options={FEEL.map(({ seen }, step) => ({ value: step, label: seen }))}
				onchange={feel}
			/>
			<p class="m-0 max-w-brief text-small text-ink-2">
				{#if felt}
					At {FELT_AT_M} m: mean {speedWords(felt.speedMps)}, gusts {speedWords(felt.typicalGustMps)}, 19 of 20 days
					below
					{speedWords(felt.gustMps)}. The return plan uses the highest of these until a gust is measured.
				{:else}
					The return plan uses the gust that 19 of 20 such days stay below. A wind meter is more accurate.
				{/if}
			</p>
		{/if}
	</div>
	<NumberField
		label="Wind from"
		unit="°"
		min={0}
		max={360}
		value={now.fromDeg ?? null}
		onchange={(v) => (draft.fromDeg = v ?? undefined)}
	/>
	<Quantity
		label="Mean"
		of="speed"
		min={0}
		max={200}
		value={now.speedMps}
		onchange={(v) => (draft.speedMps = v ?? undefined)}
	/>
	<Quantity
		label="Gusts"
		of="speed"
		min={0}
		max={200}
		value={now.gustMps}
		onchange={(v) => (draft.gustMps = v ?? undefined)}
	/>
	<Select
		label="Source"
		value={how}
		options={SOURCES.map(({ grade, words }) => ({ value: grade, label: words }))}
		onchange={(next) => (how = next)}
	/>
	<div class="pt-6">
		<Button type="submit" disabled={!complete || Object.keys(draft).length === 0}>Record the wind</Button>
	</div>
	{#if problem}<p class="m-0 basis-full font-semibold text-hold" role="alert">{problem}</p>{/if}
</form>
