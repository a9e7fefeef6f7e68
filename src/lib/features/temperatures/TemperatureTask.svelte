<script lang="ts">
	import Quantity from '$lib/ui/Quantity.svelte';
	import { figure, valueIn } from '$lib/core/figures/figure';
	import { goto } from '$app/navigation';
	import { judgeTemperatures, type Warmth, type WarmPart } from '$lib/core/propulsion/temperature';
	import { rotorsOf } from '$lib/features/motors/rotorsOf';
	import { hasPart } from '$lib/core/aircraft/capabilities';
	import Sheet from '$lib/features/running/Sheet.svelte';
	import { getSessionView } from '$lib/features/running/sessionView.svelte';
	import { live } from '$lib/store/live.svelte';
	import { entriesAbout } from '$lib/store/earlier';
	import Button from '$lib/ui/Button.svelte';
	import Caution from '$lib/ui/Caution.svelte';
	import Choice from '$lib/ui/Choice.svelte';
	import Reasons from '$lib/ui/Reasons.svelte';
	import { keepDraft } from '$lib/ui/draft.svelte';
	import { done, failed } from '$lib/ui/notify';
	import { refuseInvalid } from '$lib/ui/refuse';
	import { z } from 'zod';

	/** Temperatures of the parts after the flight: against one another, against earlier flights, against what none should reach. */
	const view = getSessionView();
	const { aircraft } = $derived(view.bundle);
	const places = $derived(rotorsOf(aircraft));
	const parts = $derived([
		...Array.from({ length: Math.max(1, aircraft.rotors) }, (_, k) => ({
			id: aircraft.rotors > 1 ? `motor-${k + 1}` : 'motor',
			name: aircraft.rotors > 1 ? `Motor ${k + 1}${places[k] ? `, ${places[k].words}` : ''}` : 'Motor',
			group: 'motors',
		})),
		{ id: 'speed-controllers', name: aircraft.rotors > 1 ? 'ESCs' : 'ESC', group: 'controllers' },
		{ id: 'pack', name: 'Battery', group: 'pack' },
		...(hasPart(aircraft, 'video') ? [{ id: 'video-unit', name: 'Video unit', group: 'video' }] : []),
	]);
	const AIR = 'air';
	let how = $state<Warmth>('thermometer');
	/** °C by the id of a part, and of the air. */
	let told = $state<Record<string, number>>({});
	const schema = z.object({ how: z.enum(['thermometer', 'hand']), told: z.record(z.string(), z.number()) });
	const half = keepDraft(
		`warm ${view.half}`,
		() => (Object.keys(told).length > 0 ? { how, told: $state.snapshot(told) } : null),
		(found) => {
			const read = schema.safeParse(found);
			if (read.success) [how, told] = [read.data.how, read.data.told];
		},
	);
	const earlier = live(() => entriesAbout(view.bundle.aircraft.id, 'temperatures'));
	/** Rises of a part on earlier flights: its figure less the air of that day. */
	const rises = (id: string): number[] =>
		(earlier.current ?? []).flatMap(({ payload, sessionId }) => {
			if (payload.kind !== 'test' || sessionId === view.bundle.session.id) return [];
			const [part, air] = [id, AIR].map((one) => valueIn(payload.figures, 'temperature', one));
			return part === null || air === null ? [] : [part - air];
		});
	const warm = $derived(
		parts.flatMap(({ id, name, group }): WarmPart[] =>
			told[id] === undefined ? [] : [{ name, group, celsius: told[id], earlier: rises(id) }],
		),
	);
	const finding = $derived(
		told[AIR] === undefined || warm.length === 0 ? null : judgeTemperatures(warm, told[AIR], how),
	);
	function tell(id: string, value: number | null) {
		const rest = Object.fromEntries(Object.entries(told).filter(([key]) => key !== id));
		told = value === null ? rest : { ...rest, [id]: value };
	}
	async function keep() {
		if (!finding) return;
		try {
			await view.record('close', {
				kind: 'test',
				task: 'temperatures',
				grade: view.grade('seen'),
				...finding,
				sourceName: how === 'hand' ? 'felt by hand' : 'by thermometer',
				figures: [{ id: AIR, name: 'Air' }, ...parts]
					.filter(({ id }) => told[id] !== undefined)
					.map(({ id, name }) => figure('temperature', told[id], { part: id, name })),
			});
			half.forget();
			done('Recorded');
			await goto(view.href('close'));
		} catch (error) {
			failed(error);
		}
	}
</script>

<Sheet
	title={finding ? finding.headline : 'How warm is each part, and the air?'}
	lead="Temperatures of {aircraft.name}"
	name="Temperatures"
	{finding}
>
	{#snippet margin()}
		{#if finding}
			<h2 class="mt-5 mb-1">Why</h2>
			<Reasons reasons={finding.reasons} />
		{/if}
		<h2 class="mt-5 mb-1">What it tells</h2>
		<p class="mt-0 text-small">
			One motor hotter than the others points at itself; all hotter than usual point at gains, propellers or load. By
			hand only a doubling shows, and not always.
		</p>
	{/snippet}
	<div class="mt-4 max-w-read">
		<Caution>Unplugged, every propeller still. A part may burn a finger: the back of the hand first, from near.</Caution
		>
	</div>
	<form
		{@attach refuseInvalid}
		class="mt-4 grid max-w-3xl gap-5"
		onsubmit={(event) => {
			event.preventDefault();
			void keep();
		}}
	>
		<Choice
			label="Told by"
			value={how}
			options={[
				{ value: 'thermometer', label: 'Thermometer', note: 'to about two degrees' },
				{ value: 'hand', label: 'Hand', note: 'guessed, to about six' },
			]}
			onchange={(by) => (how = by)}
		/>
		<div class="flex flex-wrap gap-5">
			{#each [{ id: AIR, name: 'Air' }, ...parts] as { id, name } (id)}
				<Quantity label={name} of="temperature" min={-40} max={200} value={told[id]} onchange={(v) => tell(id, v)} />
			{/each}
		</div>
		<div><Button kind="primary" type="submit" disabled={!finding}>Record it</Button></div>
	</form>
</Sheet>
