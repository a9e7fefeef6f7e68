<script lang="ts">
	import PaceChoice, { type Pace } from '$lib/features/measuring/PaceChoice.svelte';
	import BaudChoice from '$lib/features/measuring/BaudChoice.svelte';
	import type { HoldPlan } from '$lib/core/guide/holds';
	import { DEG } from '$lib/core/frames/angles';
	import { seededRng } from '$lib/core/math/random';
	import { aboutAxis } from '$lib/core/frames/rotation';
	import { MOTION_LOG } from '$lib/core/record/logRoles';
	import FaultPicker from '$lib/features/measuring/FaultPicker.svelte';
	import { hands as ownHands } from '$lib/features/measuring/hands.svelte';
	import Ways, { type Way } from '$lib/features/measuring/Ways.svelte';
	import { practiceAllowed } from '$lib/features/measuring/practice';
	import { NO_FAULTS, PRACTICE_PLACE, type RigFaults, type RigPlace, type RigSwitch } from '$lib/rig/rig';
	import { newSeed } from '$lib/rig/seed';
	import { obedientHands, type HandsMistake } from '$lib/rig/turning';
	import { motionSource, serialSource } from '$lib/sources/deviceSource';
	import { rigSource } from '$lib/sources/rigSource';
	import Button from '$lib/ui/Button.svelte';
	import Choice from '$lib/ui/Choice.svelte';
	import type { HoldState } from './holdState.svelte';

	/** Where the readings of a live procedure come from: this device, a serial line, or the practice aircraft. */
	type Props = {
		state: HoldState;
		/** What is measured. */
		what: string;
		plan: HoldPlan;
		faults: readonly RigSwitch[];
		place: RigPlace | null;
		date: string;
		/** A log does as well. */
		log?: Way | undefined;
	};
	let { state: work, what, plan, faults: kinds, place, date, log }: Props = $props();

	const practice = practiceAllowed();
	let baud = $state('57600');
	let whose = $state<HandsMistake | 'own'>('none');
	let speed = $state<Pace>('1');
	// svelte-ignore state_referenced_locally
	let faults = $state<RigFaults>({
		...NO_FAULTS,
		accelOff: kinds.includes('accelOff'),
		boardTurned: kinds.includes('boardTurned'),
	});

	const SURFACE_DEG = 1.3;

	function practise() {
		const seed = newSeed();
		const surface = aboutAxis([0.6, 0.8, 0], SURFACE_DEG * DEG);
		const obedient = whose === 'own' ? null : obedientHands(whose, seededRng(seed + 5), surface);
		work.begin(
			plan,
			rigSource({
				seed,
				faults: $state.snapshot(faults),
				place: place ?? PRACTICE_PLACE,
				date,
				speed: Number(speed),
				hands: obedient ?? ownHands,
			}),
			obedient,
			true,
		);
	}
</script>

{#snippet rig()}
	{@render hint('Simulated sensors, made on this device. What it records is marked as practice.')}
	<div class="grid gap-4">
		<div><Button kind="primary" onclick={practise}>Begin, hands free</Button></div>
		<Choice
			label="Whose hands"
			value={whose}
			options={[
				{ value: 'none', label: 'Careful' },
				{ value: 'moves', label: 'Moving once' },
				{ value: 'wrong-pose', label: 'Wrong once' },
				{ value: 'own', label: 'Yours' },
			]}
			onchange={(next) => (whose = next)}
		/>
		<PaceChoice bind:value={speed} />
		{#if kinds.length > 0}<FaultPicker bind:faults kinds={[...kinds]} />{/if}
	</div>
{/snippet}
{#snippet motion()}
	{@render hint(
		'Hold this device as the aircraft: its top is the nose, its screen faces up. For rehearsal, and for a surface: kept as practice.',
	)}
	<!-- This device is not the aircraft: what its sensors read is no evidence of the aircraft's. -->
	<Button kind="primary" onclick={() => work.begin(plan, motionSource(), null, true)}>Begin, hands free</Button>
{/snippet}
{#snippet serial()}
	{@render hint(
		'Rows of text with a header that names time and axes with units: t [s], ax [m/s2], ay [m/s2], az [m/s2].',
	)}
	<div class="grid gap-4">
		<BaudChoice bind:value={baud} />
		<div>
			<Button kind="primary" onclick={() => work.begin(plan, serialSource(Number(baud), MOTION_LOG), null, false)}
				>Begin, hands free</Button
			>
		</div>
	</div>
{/snippet}
{#snippet hint(source: string)}
	<p class="mt-0 mb-3 text-small text-ink-2">
		{source} It says what to hold, hears when it is still, and names what is missing, wrong or was moved.
	</p>
{/snippet}

<Ways
	{what}
	first={practice() ? 'rig' : (log?.value ?? 'serial')}
	ways={[
		...(log ? [log] : []),
		{ value: 'serial', label: 'Serial line', body: serial },
		...(practice()
			? [
					{ value: 'motion', label: 'This device', body: motion },
					{ value: 'rig', label: 'Practice aircraft', body: rig },
				]
			: []),
	]}
/>
