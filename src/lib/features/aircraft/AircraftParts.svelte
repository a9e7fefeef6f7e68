<script lang="ts">
	import type { Draft } from '$lib/schema/common';
	import type { Aircraft } from '$lib/schema/records';
	import Fields from '$lib/ui/Fields.svelte';
	import Fold from '$lib/ui/Fold.svelte';
	import { units } from '$lib/ui/preferences.svelte';
	import { brief } from './briefs';
	import Controls from './Controls.svelte';
	import Equipment from './Equipment.svelte';
	import { ABOUT, FIRST_FLIGHTS, FRAME, LIMITS, LINK, RETURN, RULE } from './fields';
	import LightTable from './LightTable.svelte';

	/** All that an aircraft is besides its name and kind, folded; `all` opens every part. */
	let { craft, set, all }: { craft: Aircraft; set: (change: Draft<Aircraft>) => void; all: boolean } = $props();
	const hovers = $derived(craft.kind !== 'wing' && craft.kind !== 'toy');
</script>

<Fold id="what" title="Description" brief={brief.about(craft)} open={all}>
	<Fields fields={ABOUT} record={craft} onchange={set} />
</Fold>
<Fold id="has" title="Equipment" brief={brief.frame(craft)} open={all}>
	<Fields fields={FRAME} record={craft} onchange={set} />
	<Equipment {craft} {set} />
</Fold>
<Fold id="radio" title="Transmitter" brief={brief.radio(craft)} open={all}><Controls {craft} {set} /></Fold>
<Fold id="lights" title="Lights and tones" brief={brief.lights(craft)} open={all}><LightTable {craft} {set} /></Fold>
<Fold id="link-loss" title="Data and failsafe" brief={brief.linkLoss(craft)} open={all}>
	<Fields fields={LINK} record={craft} onchange={set} />
</Fold>
<Fold id="limits" title="Limits" brief={brief.limits(craft, units())} open={all}>
	<Fields fields={LIMITS} record={craft} onchange={set} />
</Fold>
<Fold id="home" title="Return to home" brief={brief.home(craft)} open={all}>
	<p class="m-0 mb-2 text-small text-ink-2">
		By its settings and its manual. An empty field is taken as usual for its kind, and the Return stage says so.
	</p>
	<Fields fields={RETURN} record={craft} onchange={set} />
</Fold>
{#if hovers}
	<Fold id="first-flights" title="First flights" brief={brief.firstFlights(craft)} open={all}>
		<Fields fields={FIRST_FLIGHTS} record={craft} onchange={set} />
	</Fold>
{/if}
<Fold id="due" title="When a calibration is due" brief={brief.school(craft)} open={all}>
	<Fields fields={RULE} record={craft} onchange={set} />
</Fold>
