<script lang="ts">
	import { goto } from '$app/navigation';
	import type { CompassAnswer } from '$lib/schema/compass';
	import type { CalibrationPayload } from '$lib/schema/records';
	import Button from '$lib/ui/Button.svelte';
	import { done, failed } from '$lib/ui/notify';
	import Sheet from '$lib/features/session/Sheet.svelte';
	import { getSessionView } from '$lib/features/session/sessionView.svelte';
	import CompassBody from './CompassBody.svelte';
	import CompassWhy from './CompassWhy.svelte';
	import { CompassState } from './compassState.svelte';

	const view = getSessionView();
	const { aircraft, site } = view.bundle;
	const place = { latDeg: site.latDeg, lonDeg: site.lonDeg, altM: site.altM };
	const date = new Date().toISOString().slice(0, 10);
	const work = new CompassState(() => ({ ...place, date, limitDeg: aircraft.compassHeadingLimitDeg }));
	const last = $derived(view.compassInForce);

	$effect(() => () => work.dispose());

	function payloadOf(answer: CompassAnswer, accepted: 'accepted' | 'kept-aside'): CalibrationPayload | null {
		const { hardIronUt, softIron, fieldUt, uncertainty, headingErrorDeg, rejected } = answer;
		if (!hardIronUt || !softIron || fieldUt === null || !uncertainty || !headingErrorDeg) return null;
		return {
			kind: 'calibration',
			task: 'compass',
			accepted,
			sourceName: work.recording.sourceName,
			hardIronUt,
			softIron,
			fieldUt,
			headingSigmaDeg: uncertainty.headingDeg,
			headingBeforeDeg: headingErrorDeg.before,
			headingAfterDeg: headingErrorDeg.after,
			samples: answer.samples,
			rejected: rejected ?? 0,
			place,
			verdict: answer.verdict,
			reasons: answer.reasons,
		};
	}

	async function accept(accepted: 'accepted' | 'kept-aside') {
		const payload = work.answer && payloadOf(work.answer, accepted);
		if (!payload) return;
		try {
			await view.record('site', payload);
			done(
				accepted === 'accepted' ? 'Calibration accepted and recorded' : 'Kept aside; the values before stay in force',
			);
			await goto(view.href('site'));
		} catch (error) {
			failed(error);
		}
	}
</script>

<Sheet
	title={work.title}
	lead="Compass of {aircraft.name} · both hands on the aircraft, watch off, pivot on one spot"
	name="Compass"
>
	{#snippet corner()}
		{#if work.phase === 'turning'}<Button onclick={() => (work.big = true)} kbd="b">Big cue</Button>{/if}
	{/snippet}
	{#snippet margin()}<CompassWhy {work} {last} />{/snippet}
	<CompassBody
		state={work}
		{place}
		{date}
		aircraftName={aircraft.name}
		rotors={aircraft.rotors}
		{last}
		onaccept={accept}
	/>
</Sheet>
