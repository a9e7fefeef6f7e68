<script lang="ts">
	import { optionsOf } from '$lib/ui/options';
	import Select from '$lib/ui/Select.svelte';
	import Checkbox from '$lib/ui/Checkbox.svelte';
	import { figure } from '$lib/core/figures/figure';
	import { goto } from '$app/navigation';
	import { judgeMotorWalk, usualLayout, type MotorSeen } from '$lib/core/propulsion/motorWalk';
	import { LAYOUT_WORDS } from '$lib/features/aircraft/partWords';
	import Sheet from '$lib/features/running/Sheet.svelte';
	import { getSessionView } from '$lib/features/running/sessionView.svelte';
	import { aircraftSchema, type Aircraft } from '$lib/schema/records';
	import { saveAircraft } from '$lib/store/repository';
	import Button from '$lib/ui/Button.svelte';
	import Caution from '$lib/ui/Caution.svelte';
	import Choice from '$lib/ui/Choice.svelte';
	import Reasons from '$lib/ui/Reasons.svelte';
	import RotorDrawing from '$lib/ui/RotorDrawing.svelte';
	import { keepDraft } from '$lib/ui/draft.svelte';
	import { done, failed } from '$lib/ui/notify';
	import { z } from 'zod';
	import { rotorsOf, type RotorState } from './rotorsOf';

	/** From motor to motor with the propellers off: which one turned, and which way; what differs says its own remedy. */
	const view = getSessionView();
	const { aircraft } = $derived(view.bundle);
	const layout = $derived(aircraft.layout ?? usualLayout(aircraft.rotors));
	const motors = $derived(rotorsOf(aircraft));
	let off = $state(false);
	let begun = $state(false);
	let ticked = $state(false);
	let seen = $state.raw<MotorSeen[]>([]);
	/** The motor that turned, while its way is asked. */
	let turned = $state<string | null>(null);
	const asked = $derived(motors[seen.length] ?? null);
	const over = $derived(begun && (asked === null || seen.some((s) => s.turned === null)));
	const finding = $derived(over && layout ? judgeMotorWalk(layout, aircraft.spin ?? 'front-inward', seen) : null);
	const kept = z.array(
		z.object({
			asked: z.string(),
			turned: z.string().nullable(),
			way: z.union([z.literal(1), z.literal(-1)]).nullable(),
		}),
	);
	/** Answers before a reload are kept; the safety question comes first again. */
	const safe = $derived(begun && off);
	const half = keepDraft(
		`motors ${view.half}`,
		() => (begun ? $state.snapshot(seen) : null),
		(found) => {
			const read = kept.safeParse(found);
			// That propellers are off is asked again: nobody knows what happened meanwhile.
			if (read.success) [seen, begun] = [read.data, true];
		},
	);
	const stateOf = (name: string): RotorState => {
		if (over) {
			const own = seen.find((s) => s.asked === name);
			const answered = seen.find((s) => s.turned === name);
			const plan = motors.find((m) => m.name === name)?.spin;
			return own?.turned === name && answered?.way === plan ? 'done' : own ? 'wrong' : 'plain';
		}
		return name === (turned ?? asked?.name) ? 'asked' : seen.some((s) => s.asked === name) ? 'done' : 'plain';
	};
	const title = $derived(
		finding
			? finding.headline
			: !safe
				? 'Motor by motor, propellers off'
				: turned
					? `Which way did ${motors.findIndex(({ name }) => name === turned) + 1}, the ${motors.find(({ name }) => name === turned)?.words}, turn, seen from above?`
					: asked
						? `Spin ${motors.findIndex(({ name }) => name === asked.name) + 1}, the ${asked.words}, alone: which one turned?`
						: '',
	);

	async function set(change: Partial<Aircraft>) {
		try {
			await saveAircraft(aircraftSchema.parse({ ...$state.snapshot(aircraft), ...change }));
		} catch (error) {
			failed(error);
		}
	}
	function tell(name: string | null, way: MotorSeen['way']) {
		if (!asked) return;
		seen = [...seen, { asked: asked.name, turned: name, way }];
		turned = null;
	}
	const again = () => ([seen, turned, begun, off, ticked] = [[], null, false, false, false]);
	async function keep() {
		if (!finding) return;
		const { headline, verdict, reasons } = finding;
		try {
			await view.record('bench', {
				kind: 'test',
				task: 'motor-walk',
				grade: view.grade('seen'),
				headline,
				verdict,
				reasons,
				sourceName: 'motor by motor, propellers off',
				figures: [figure('motors-seen', seen.length)],
			});
			half.forget();
			done('Recorded');
			await goto(view.href('bench'));
		} catch (error) {
			failed(error);
		}
	}
</script>

<Sheet {title} lead="Motors of {aircraft.name}" name="Motor by motor" {finding}>
	{#snippet margin()}
		<h2 class="mt-5 mb-1">What is planned</h2>
		<RotorDrawing rotors={motors} label="Planned turning of each motor, seen from above, nose up" />
		<p class="text-small text-ink-2">
			Numbered here from the front left on, as this drawing goes; your board may number them otherwise. The controller’s
			setting only tells which way to expect: it turns no motor.
		</p>
		<h2 class="mt-5 mb-1">Propellers, later</h2>
		<p class="text-small">
			The higher, rounder edge of a blade goes first, the marked side up. Corners across from each other are alike.
		</p>
	{/snippet}
	<div class="mt-4 max-w-read">
		<Caution
			><b>Propellers off.</b> Fingers, sleeves and leads clear. A motor that does not start is an electrical fault: stop,
			unplug. Never a finger on a running motor: a strip of paper at the shaft, or a film, shows the way.</Caution
		>
	</div>

	{#if !safe}
		<div class="mt-4 grid max-w-2xl gap-5">
			<div class="flex flex-wrap gap-5">
				<Select
					label="Layout{aircraft.layout ? '' : ', as is usual for so many'}"
					value={layout}
					options={optionsOf(LAYOUT_WORDS)}
					onchange={(layout) => void set({ layout })}
				/>
				<Choice
					label="The front propellers turn"
					value={aircraft.spin ?? 'front-inward'}
					options={[
						{ value: 'front-inward', label: 'inward', note: 'toward the nose' },
						{ value: 'front-outward', label: 'outward', note: 'away from it' },
					]}
					onchange={(spin) => void set({ spin: spin === 'front-outward' ? 'front-outward' : 'front-inward' })}
				/>
			</div>
			<Checkbox bind:checked={ticked} label="I have looked at each motor: every propeller is off" class="text-lead" />
			<div>
				<Button kind="primary" disabled={!ticked || !layout} onclick={() => ([begun, off] = [true, true])}
					>{begun ? 'Go on' : 'Begin'}</Button
				>
			</div>
		</div>
	{:else}
		<div class="mt-4 grid items-start gap-6 md:grid-cols-[320px_minmax(0,1fr)]">
			<RotorDrawing
				rotors={rotorsOf(aircraft, stateOf)}
				label="Motors from above, nose up"
				ways={over}
				onpick={over || turned ? null : (name) => (turned = name)}
			/>
			<div class="grid gap-3">
				{#if finding}
					<Reasons reasons={finding.reasons} />
					<div class="flex flex-wrap gap-3">
						<Button kind="primary" onclick={() => void keep()}>Record it</Button>
						<Button class="min-h-14" onclick={again}>Walk again</Button>
					</div>
				{:else if turned}
					<Button kind="primary" class="min-h-20" onclick={() => tell(turned, 1)}>Clockwise</Button>
					<Button kind="primary" class="min-h-20" onclick={() => tell(turned, -1)}>Counter-clockwise</Button>
					<Button class="min-h-14" onclick={() => (turned = null)}>Another one turned</Button>
					<p class="m-0 text-small text-ink-2">Not sure? Spin it again with a strip of paper at the shaft.</p>
				{:else if asked}
					<Button kind="primary" class="min-h-20" onclick={() => (turned = asked.name)}>That one: {asked.words}</Button>
					<Button class="min-h-14 border-hold! text-hold!" onclick={() => tell(null, null)}>None turned: stop</Button>
					<p class="m-0 text-small text-ink-2">Another one? Press it in the drawing.</p>
				{/if}
			</div>
		</div>
	{/if}
</Sheet>
