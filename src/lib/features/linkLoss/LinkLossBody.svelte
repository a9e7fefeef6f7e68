<script lang="ts">
	import { optionsOf } from '$lib/ui/options';
	import Select from '$lib/ui/Select.svelte';
	import Checkbox from '$lib/ui/Checkbox.svelte';
	import { LOSS_WORDS } from '$lib/core/radio/linkLossTest';
	import { lossActionSchema, type Aircraft, type LossAction } from '$lib/schema/records';
	import type { Start, Stop } from '$lib/core/radio/stopwatch';
	import Button from '$lib/ui/Button.svelte';
	import Caution from '$lib/ui/Caution.svelte';
	import NumberField from '$lib/ui/NumberField.svelte';
	import Choice from '$lib/ui/Choice.svelte';
	import Reasons from '$lib/ui/Reasons.svelte';
	import { inField } from '$lib/features/shell/keys';
	import type { LinkLossState } from './linkLossState.svelte';

	/** The test with the radio off, for the action that is really set; `onaction` keeps what is set with the aircraft. */
	type Props = {
		state: LinkLossState;
		aircraft: Pick<Aircraft, 'name' | 'propellersStayOn' | 'rotors'>;
		onaction: (action: LossAction) => void;
		keepWords: string;
		onkeep: () => void;
		/** Records a run before the next one begins: each run is an entry. */
		onrun?: () => Promise<boolean>;
	};
	let { state: work, aircraft, onaction, keepWords, onkeep, onrun }: Props = $props();
	async function repeat() {
		if (onrun && !(await onrun())) return;
		work.repeat();
	}
	let recordedS = $state<number | null>(null);
	const ready = $derived(work.armed !== null && (work.propellersOff || work.armed === false));

	function onkeydown(event: KeyboardEvent) {
		if (event.repeat || event.ctrlKey || event.metaKey || event.altKey || inField(event)) return;
		if (work.step === 'running' && (event.key === ' ' || event.key === 'Enter')) work.react(true);
		else return;
		event.preventDefault();
	}
	const START_WORDS: Record<Start, string> = {
		tap: 'my hand, the other taps here',
		key: 'my hand, the other presses a key',
		called: 'somebody else, who calls',
	};
	const STOP_WORDS: Record<Stop, string> = {
		seen: 'by eye',
		heard: 'by ear',
		text: 'by words on its screen',
		sound: 'later, on a recording of sound',
		video: 'later, on a film',
	};
	const yesNo = (value: boolean | null) => (value === null ? '' : value ? 'yes' : 'no');
</script>

<svelte:window {onkeydown} />

{#if work.step === 'setting'}
	<h2 class="mt-5 mb-2">What is set in {aircraft.name} for a lost link? Read it off the aircraft or its settings</h2>
	<div class="grid max-w-xl gap-2">
		{#each lossActionSchema.options as action (action)}
			<Button
				class="min-h-14 justify-start"
				kind={work.action === action ? 'primary' : 'plain'}
				aria-pressed={work.action === action}
				onclick={() => {
					work.action = action;
					onaction(action);
					work.step = 'before';
				}}>To {LOSS_WORDS[action]}</Button
			>
		{/each}
	</div>
	<p class="mt-3 text-small text-ink-2">
		The factory setting may be to cut the motors. Look it up before you test: the test shows whether it does what is
		set.
	</p>
{:else if work.step === 'before' && work.action}
	<p class="mt-4 mb-3">
		Set to <b>{LOSS_WORDS[work.action]}</b>.
		<Button kind="quiet" onclick={() => (work.step = 'setting')}>That is not so</Button>
	</p>
	<Choice
		label="How it is tested"
		stacked
		value={work.armed === null ? '' : work.armed ? 'armed' : 'disarmed'}
		options={[
			{ value: 'armed', label: 'Armed, propellers off', note: 'the stronger test: the motors show what they do' },
			{ value: 'disarmed', label: 'Disarmed', note: 'where the propellers stay on: only the message is seen' },
		]}
		onchange={(how) => (work.armed = how === 'armed')}
	/>
	{#if work.armed}
		<div class="mt-4 max-w-read">
			<Caution>
				<b>Propellers off.</b> Throttle at zero, and left there: without propellers the motors may wind up, and that is
				normal. Where it is set to {work.action === 'stop' ? 'stop, they stop' : 'fly on, they run on'}.
			</Caution>
		</div>
		<Checkbox
			bind:checked={work.propellersOff}
			label="I have looked at each motor: every propeller is off"
			class="mt-3"
		/>
	{/if}
	{#if work.armed !== null}
		<div class="mt-4 flex flex-wrap gap-5">
			<Select
				label="Transmitter switched off by"
				value={work.start}
				disabled={work.measuredS.length > 0}
				options={optionsOf(START_WORDS)}
				onchange={(next) => (work.start = next)}
			/>
			<Select
				label="Noticed by"
				value={work.stop}
				disabled={work.measuredS.length > 0}
				options={optionsOf(STOP_WORDS)}
				onchange={(next) => (work.stop = next)}
			/>
		</div>
		<p class="mt-4 mb-3">
			Radio on, pack in, linked, {work.armed ? 'armed' : 'disarmed'}. Then switch the radio off and press at once.
		</p>
	{/if}
	{#if work.stop === 'sound' || work.stop === 'video'}
		<form
			class="mt-4 flex flex-wrap items-end gap-4"
			onsubmit={(event) => {
				event.preventDefault();
				if (ready && recordedS !== null) work.timed(recordedS);
			}}
		>
			<NumberField
				label="From the radio to the motors, on the recording"
				unit="s"
				min={0}
				max={120}
				value={recordedS}
				onchange={(v) => (recordedS = v)}
			/>
			<Button kind="primary" type="submit" disabled={!ready || recordedS === null}>Take this time</Button>
		</form>
	{:else}
		<div class="mt-4">
			<Button kind="primary" disabled={!ready} onclick={() => work.begin()}>Radio is off: count</Button>
		</div>
	{/if}
{:else if work.step === 'running'}
	<p class="figure-mono mt-6 mb-4 text-giant leading-none font-bold" role="timer">
		{work.clock.elapsedS.toFixed(1)}<span class="ml-1 text-[0.45em] font-medium text-ink-2">s</span>
	</p>
	<div class="flex flex-wrap gap-3">
		<Button kind="primary" kbd="space" onclick={() => work.react(true)}
			>{work.armed && work.action === 'stop' ? 'The motors stopped' : 'It reacted'}</Button
		>
		<Button class="min-h-14" onclick={() => work.react(false)}>It does not react</Button>
	</div>
{:else if work.step === 'seen'}
	<div class="mt-4 grid max-w-2xl gap-5">
		<p class="m-0 text-step">
			{work.measuredS.length === 0
				? 'It did not react.'
				: `Timed: ${work.measuredS.map((s) => s.toFixed(1)).join(', ')} s. What eye and hand add is taken off.`}
		</p>
		{#if work.armed}
			<Choice
				label="What did the motors do?"
				value={work.motors ?? ''}
				options={[
					{ value: 'stopped', label: 'They stopped' },
					{ value: 'ran-on', label: 'They ran on' },
				]}
				onchange={(motors) => (work.motors = motors === 'stopped' ? 'stopped' : 'ran-on')}
			/>
		{/if}
		<Choice
			label="Did a screen, a light or a tone say that the link was lost?"
			value={yesNo(work.told)}
			options={[
				{ value: 'yes', label: 'Yes' },
				{ value: 'no', label: 'No' },
			]}
			onchange={(v) => (work.told = v === 'yes')}
		/>
		<Choice
			label="Radio on again: did it link?"
			value={yesNo(work.linkedAgain)}
			options={[
				{ value: 'yes', label: 'Yes' },
				{ value: 'no', label: 'No' },
			]}
			onchange={(v) => (work.linkedAgain = v === 'yes')}
		/>
		<p class="m-0 font-semibold">Disarm, disconnect the pack.</p>
		<div class="flex flex-wrap gap-3">
			<Button kind="primary" disabled={!work.finding} onclick={() => work.conclude()}>Judge it</Button>
			{#if work.measuredS.length > 0}<Button class="min-h-14" onclick={() => work.another()}>Time it once more</Button
				>{/if}
			<Button class="min-h-14" onclick={() => work.repeat()}>Begin again</Button>
		</div>
	</div>
{:else if work.finding}
	<div class="mt-4 max-w-3xl"><Reasons reasons={work.finding.reasons} /></div>
	<p class="text-small text-ink-2">
		A switch in the air is another test, and does not replace this one; nor does reading the setting.
	</p>
	<div class="mt-3 flex flex-wrap gap-3">
		<Button kind="primary" onclick={onkeep}>{keepWords}</Button>
		<Button class="min-h-14" onclick={() => void repeat()}>{onrun ? 'Record run and test again' : 'Test again'}</Button>
	</div>
{/if}
