<script lang="ts">
	import { seededRng } from '$lib/core/math/random';
	import { practiceAllowed } from '$lib/features/measuring/practice';
	import { newSeed } from '$lib/rig/seed';
	import { obedientSticks } from '$lib/rig/sticks';
	import { gamepadSource } from '$lib/sources/deviceSource';
	import { rigRadioSource } from '$lib/sources/rigSource';
	import Button from '$lib/ui/Button.svelte';
	import Choice from '$lib/ui/Choice.svelte';
	import type { StickState } from './stickState.svelte';

	/** Where the sticks are read from: a radio as a game controller, or the practice radio. */
	let { state: work }: { state: StickState } = $props();

	const practice = practiceAllowed();
	let from = $state<'rig' | 'pad'>(practice() ? 'rig' : 'pad');
	let wired = $state<'usual' | 'crossed' | 'reversed'>('usual');
	let clumsy = $state<'no' | 'yes'>('no');
	const WIRED = {
		usual: { order: [0, 1, 3, 2], signs: [1, 1, 1, 1] },
		crossed: { order: [0, 1, 2, 3], signs: [1, 1, 1, 1] },
		reversed: { order: [0, 1, 3, 2], signs: [1, -1, 1, 1] },
	};
	const PRACTICE_PACE = 2;

	function start() {
		if (from === 'pad') return work.begin(gamepadSource(), null);
		const hands = obedientSticks({ ...WIRED[wired], clumsy: clumsy === 'yes' }, seededRng(newSeed()));
		work.begin(rigRadioSource(hands, PRACTICE_PACE), hands);
	}
</script>

<section class="no-print border border-rule p-4">
	<h2 class="m-0">Asked gestures, live</h2>
	<p class="mt-1 mb-3 text-[15px] text-ink-2">
		It asks for one stick at a time, sees which channel answers, and asks again where two did.
	</p>
	<div class="grid gap-4">
		<Choice
			label="Sticks from"
			value={from}
			options={[
				...(practice() ? ([{ value: 'rig', label: 'Practice radio' }] as const) : []),
				{ value: 'pad', label: 'Radio, as a game controller' },
			]}
			onchange={(next) => (from = next)}
		/>
		{#if from === 'rig'}
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
		{:else}
			<p class="m-0 text-[15px] text-ink-2">
				Connect it by cable or radio, and move a stick: a browser shows a radio only then.
			</p>
		{/if}
		<div><Button kind="primary" onclick={start}>Begin</Button></div>
	</div>
</section>
