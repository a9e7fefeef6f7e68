<script lang="ts">
	import { seededRng } from '$lib/core/math/random';
	import Ways, { type Way } from '$lib/features/measuring/Ways.svelte';
	import { practiceAllowed } from '$lib/features/measuring/practice';
	import { newSeed } from '$lib/rig/seed';
	import { obedientSticks } from '$lib/rig/sticks';
	import { gamepadSource } from '$lib/sources/deviceSource';
	import { rigRadioSource } from '$lib/sources/rigSource';
	import Button from '$lib/ui/Button.svelte';
	import Choice from '$lib/ui/Choice.svelte';
	import type { StickState } from './stickState.svelte';

	/** Where the sticks are read from: a radio as a game controller, or the practice radio. */
	type Props = {
		state: StickState;
		/** What is measured. */
		what: string;
		/** A log does as well. */
		log?: Way | undefined;
	};
	let { state: work, what, log }: Props = $props();

	const practice = practiceAllowed();
	let wired = $state<'usual' | 'crossed' | 'reversed'>('usual');
	let clumsy = $state<'no' | 'yes'>('no');
	const WIRED = {
		usual: { order: [0, 1, 3, 2], signs: [1, 1, 1, 1] },
		crossed: { order: [0, 1, 2, 3], signs: [1, 1, 1, 1] },
		reversed: { order: [0, 1, 3, 2], signs: [1, -1, 1, 1] },
	};
	const PRACTICE_PACE = 2;

	function practise() {
		const hands = obedientSticks({ ...WIRED[wired], clumsy: clumsy === 'yes' }, seededRng(newSeed()));
		work.begin(rigRadioSource(hands, PRACTICE_PACE), hands);
	}
</script>

{#snippet hint(source: string)}
	<p class="mt-0 mb-3 text-small text-ink-2">
		{source} It asks for one stick at a time, sees which channel answers, and asks again where two did.
	</p>
{/snippet}
{#snippet pad()}
	{@render hint('Connect the radio, by cable or without, and move a stick: a browser shows it only then.')}
	<Button kind="primary" onclick={() => work.begin(gamepadSource(), null)}>Begin</Button>
{/snippet}
{#snippet rig()}
	{@render hint('A simulated radio, made on this device: practice.')}
	<div class="grid gap-4">
		<div><Button kind="primary" onclick={practise}>Begin</Button></div>
		<Choice
			label="How it is set up"
			value={wired}
			options={[
				{ value: 'usual', label: 'In order' },
				{ value: 'crossed', label: 'Throttle and yaw exchanged' },
				{ value: 'reversed', label: 'Pitch reversed' },
			]}
			onchange={(next) => (wired = next)}
		/>
		<Choice
			label="Whose hands"
			value={clumsy}
			options={[
				{ value: 'no', label: 'Careful' },
				{ value: 'yes', label: 'Two sticks at once, once' },
			]}
			onchange={(next) => (clumsy = next)}
		/>
	</div>
{/snippet}

<Ways
	{what}
	first={practice() ? 'rig' : 'pad'}
	ways={[
		...(log ? [log] : []),
		{ value: 'pad', label: 'Radio, as a game controller', body: pad },
		...(practice() ? [{ value: 'rig', label: 'Practice radio', body: rig }] : []),
	]}
/>
