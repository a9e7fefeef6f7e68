<script lang="ts">
	import { fromUnit, toUnit, unitSymbol } from '$lib/core/words/units';
	import type { Wind } from '$lib/schema/records';
	import NumberField from '$lib/ui/NumberField.svelte';
	import { refuseInvalid } from '$lib/ui/refuse';
	import Button from '$lib/ui/Button.svelte';
	import { done, failed } from '$lib/ui/notify';
	import { units } from '$lib/ui/preferences.svelte';
	import { getSessionView } from '$lib/features/running/sessionView.svelte';

	const view = getSessionView();
	let draft = $state<Partial<Wind>>({});
	let problem = $state('');
	const now = $derived({ ...view.wind, ...draft });
	const shown = (mps: number | undefined) => (mps === undefined ? null : toUnit(mps, 'speed', units()));
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
				grade: view.grade('told'),
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
	const speed = (value: number | null) => (value === null ? undefined : fromUnit(value, 'speed', units()));
</script>

<form
	{@attach refuseInvalid}
	class="flex flex-wrap items-start gap-4"
	onsubmit={(event) => {
		event.preventDefault();
		void save();
	}}
>
	<NumberField
		label="Wind from"
		unit="°"
		min={0}
		max={360}
		value={now.fromDeg ?? null}
		onchange={(v) => (draft.fromDeg = v ?? undefined)}
	/>
	<NumberField
		label="Mean"
		unit={unitSymbol('speed', units())}
		min={0}
		max={200}
		value={shown(now.speedMps)}
		onchange={(v) => (draft.speedMps = speed(v))}
	/>
	<NumberField
		label="Gusts"
		unit={unitSymbol('speed', units())}
		min={0}
		max={200}
		value={shown(now.gustMps)}
		onchange={(v) => (draft.gustMps = speed(v))}
	/>
	<div class="pt-6">
		<Button type="submit" disabled={!complete || Object.keys(draft).length === 0}>Record the wind</Button>
	</div>
	{#if problem}<p class="m-0 basis-full font-semibold text-hold" role="alert">{problem}</p>{/if}
</form>
