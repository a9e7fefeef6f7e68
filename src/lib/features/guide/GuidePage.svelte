<script lang="ts">
	import { goto } from '$app/navigation';
	import { SENSOR_RULES } from '$lib/core/due/rules';
	import { lightsDuring } from '$lib/core/session/lights';
	import { recipesFor } from '$lib/core/guide/recipes';
	import SaveDialog from '$lib/features/instruments/SaveDialog.svelte';
	import Sheet from '$lib/features/running/Sheet.svelte';
	import type { Aircraft, Sensor } from '$lib/schema/records';
	import Caution from '$lib/ui/Caution.svelte';
	import { keepDraft } from '$lib/ui/draft.svelte';
	import GuideBody from './GuideBody.svelte';
	import { GuideState } from './guideState.svelte';

	/** An aircraft's own routine outside a session; kept in its bench book. */
	let { aircraft, sensor }: { aircraft: Aircraft; sensor: Sensor } = $props();

	// svelte-ignore state_referenced_locally
	const recipes = recipesFor(sensor, aircraft);
	const work = new GuideState(recipes[0]);
	// svelte-ignore state_referenced_locally
	const draft = keepDraft(
		`guide-${aircraft.id}-${sensor}`,
		() => work.draft,
		(kept) => work.takeUp(kept, recipes),
	);
	$effect(() => () => work.dispose());
	let saving = $state(false);
	const name = $derived(SENSOR_RULES[sensor].name);
	const title = $derived(
		work.phase === 'before'
			? `${name} of ${aircraft.name}, by its own routine`
			: work.phase === 'steps'
				? work.current.do
				: work.finding.headline,
	);
</script>

<Sheet {title} lead="Guided · {name.toLowerCase()} · {aircraft.name}" name="Guided: {name}">
	{#snippet margin()}
		<Caution>The maker’s manual stands above this routine. Anything strange: stop, disconnect.</Caution>
		<h2 class="mt-5 mb-1">What it is worth</h2>
		<p>
			No data leave this aircraft, so the record says what was done and what it showed, step by step. A verification
			hover tells whether it helped.
		</p>
		{#if aircraft.manual}<p><b>Manual:</b> {aircraft.manual}</p>{/if}
		<p class="text-small text-ink-2">
			Lights and tones differ by maker: what this aircraft’s mean is written on <a href="/aircraft/{aircraft.id}#lights"
				>its page</a
			>.
		</p>
	{/snippet}
	<GuideBody
		state={work}
		{recipes}
		aircraftName={aircraft.name}
		rotors={aircraft.rotors}
		lights={aircraft.lights}
		table={lightsDuring(aircraft.lightTable, sensor === 'compass' ? 'compass calibration' : 'sensor calibration')}
		keepWords="Keep it in the record"
		onkeep={() => (saving = true)}
	/>
</Sheet>

<SaveDialog
	bind:open={saving}
	siteId={null}
	aircraftId={aircraft.id}
	payload={() => work.payload(sensor)}
	onsaved={() => {
		draft.forget();
		void goto(`/aircraft/${aircraft.id}/due`);
	}}
/>
