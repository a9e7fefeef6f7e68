<script lang="ts">
	import { goto } from '$app/navigation';
	import type { HoverAnswer } from '$lib/schema/hover';
	import Sheet from '$lib/features/running/Sheet.svelte';
	import { getSessionView } from '$lib/features/running/sessionView.svelte';
	import { done, failed } from '$lib/ui/notify';
	import HoverBody from './HoverBody.svelte';
	import HoverWhy from './HoverWhy.svelte';
	import { hoverFigures } from './figures';
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
				grade: view.grade('measured', work.practice),
				sourceName: work.sourceName,
				headline: work.title,
				figures: hoverFigures(answer),
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
