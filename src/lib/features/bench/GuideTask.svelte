<script lang="ts">
	import { goto } from '$app/navigation';
	import { placeOf } from '$lib/core/compass/payload';
	import { SENSOR_RULES } from '$lib/core/due/rules';
	import { lightsDuring } from '$lib/core/session/lights';
	import { recipesFor } from '$lib/core/guide/recipes';
	import GuideBody from '$lib/features/guide/GuideBody.svelte';
	import { GuideState } from '$lib/features/guide/guideState.svelte';
	import TemperatureField from '$lib/features/measuring/TemperatureField.svelte';
	import Sheet from '$lib/features/running/Sheet.svelte';
	import { getSessionView } from '$lib/features/running/sessionView.svelte';
	import { sensorSchema, type StationId } from '$lib/schema/records';
	import Caution from '$lib/ui/Caution.svelte';
	import Empty from '$lib/ui/Empty.svelte';
	import { keepDraft } from '$lib/ui/draft.svelte';
	import { done, failed } from '$lib/ui/notify';
	import { lastTemperature } from './lastTemperature';

	/** The aircraft's own routine as a procedure of the session. */
	let { station, sensor: asked }: { station: StationId; sensor: string } = $props();
	const view = getSessionView();
	const { aircraft, site } = view.bundle;
	// svelte-ignore state_referenced_locally
	const parsed = sensorSchema.safeParse(asked);
	const sensor = parsed.success ? parsed.data : null;
	const recipes = sensor ? recipesFor(sensor, aircraft) : [];
	const work = recipes.length > 0 ? new GuideState(recipes[0]) : null;
	const draft =
		work &&
		keepDraft(
			`guide-${view.half}-${sensor}`,
			() => work.draft,
			(kept) => work.takeUp(kept, recipes),
		);
	$effect(() => () => work?.dispose());
	const name = sensor ? SENSOR_RULES[sensor].name : '';
	const title = $derived(
		!work
			? ''
			: work.phase === 'before'
				? `${name} of ${aircraft.name}, by its own routine`
				: work.phase === 'steps'
					? work.current.do
					: work.finding.headline,
	);

	let temperatureC = $state(lastTemperature(view.bundle.entries));

	async function keep() {
		if (!work || !sensor) return;
		try {
			const warm = temperatureC === null ? {} : { temperatureC };
			const place = placeOf(site);
			const payload = { ...work.payload(sensor), grade: view.grade('guided'), ...warm, ...(place ? { place } : {}) };
			await view.record(station, payload);
			draft?.forget();
			done('Recorded');
			await goto(station === 'bench' ? view.href('bench', 'bench-due') : view.href(station));
		} catch (error) {
			failed(error);
		}
	}
</script>

{#if work}
	<Sheet {title} lead="Guided · {name.toLowerCase()} of {aircraft.name}" name="Guided: {name}">
		{#snippet margin()}
			<Caution>The maker’s manual stands above this routine. Anything strange: stop, disconnect.</Caution>
			<div class="mt-4"><TemperatureField bind:value={temperatureC} /></div>
			{#if aircraft.manual}<p class="mt-4"><b>Manual:</b> {aircraft.manual}</p>{/if}
			<p class="text-ink-2">
				No data leave this aircraft: the record says what was done and what it showed. The verification hover tells
				whether it helped.
			</p>
		{/snippet}
		<GuideBody
			state={work}
			{recipes}
			aircraftName={aircraft.name}
			rotors={aircraft.rotors}
			lights={aircraft.lights}
			table={lightsDuring(aircraft.lightTable, sensor === 'compass' ? 'compass calibration' : 'sensor calibration')}
			keepWords="Keep it in the session"
			onkeep={() => void keep()}
		/>
	</Sheet>
{:else}
	<Empty title="There is no such routine"><a href={view.href('bench')}>Back to the bench</a></Empty>
{/if}
