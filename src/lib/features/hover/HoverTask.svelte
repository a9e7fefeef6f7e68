<script lang="ts">
	import { goto } from '$app/navigation';
	import type { HoverAnswer } from '$lib/schema/hover';
	import Sheet from '$lib/features/session/Sheet.svelte';
	import { getSessionView } from '$lib/features/session/sessionView.svelte';
	import { done, failed } from '$lib/ui/notify';
	import HoverBody from './HoverBody.svelte';
	import HoverWhy from './HoverWhy.svelte';
	import { HoverState } from './hoverState.svelte';

	const view = getSessionView();
	const { aircraft } = view.bundle;
	const work = new HoverState(() => {
		const wind = view.wind;
		return wind ? { fromDeg: wind.fromDeg, speedMps: wind.speedMps, gustMps: wind.gustMps } : undefined;
	});

	async function accept(answer: HoverAnswer) {
		try {
			await view.record('hover', {
				kind: 'test',
				task: 'hover',
				sourceName: work.sourceName,
				headline: work.title,
				figures: [
					{ label: 'Bubble 95 %', value: answer.bubble.diameter95M, unit: 'm' },
					{ label: 'Drift', value: answer.drift.speedMps, unit: 'm/s' },
					{
						label: 'Compass error',
						value: answer.spiral.compassErrorDeg,
						unit: '°',
						...(answer.spiral.compassErrorSigmaDeg === null ? {} : { sigma: answer.spiral.compassErrorSigmaDeg }),
					},
					{ label: 'Height spread', value: answer.height.stdM, unit: 'm' },
					{ label: 'Length', value: answer.durationS, unit: 's' },
				],
				verdict: answer.verdict,
				reasons: answer.reasons,
			});
			done('Recorded');
			await goto(view.href('hover'));
		} catch (error) {
			failed(error);
		}
	}
</script>

<Sheet
	title={work.title}
	lead="Test hover of {aircraft.name}{view.wind ? '' : ' · the wind has not been entered'}"
	name="Hover"
>
	{#snippet margin()}<HoverWhy answer={work.answer} />{/snippet}
	<HoverBody state={work} onaccept={accept} />
</Sheet>
