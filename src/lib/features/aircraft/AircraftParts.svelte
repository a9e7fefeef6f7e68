<script lang="ts">
	import Select from '$lib/ui/Select.svelte';
	import Checkbox from '$lib/ui/Checkbox.svelte';
	import TextField from '$lib/ui/TextField.svelte';
	import { LOSS_WORDS } from '$lib/core/radio/linkLossTest';
	import { showsData } from '$lib/core/aircraft/capabilities';
	import { lossActionSchema, type Aircraft } from '$lib/schema/records';
	import Choice from '$lib/ui/Choice.svelte';
	import Fold from '$lib/ui/Fold.svelte';
	import NumberField from '$lib/ui/NumberField.svelte';
	import { units } from '$lib/ui/preferences.svelte';
	import { brief } from './briefs';
	import Controls from './Controls.svelte';
	import Equipment from './Equipment.svelte';
	import Flies from './Flies.svelte';
	import LadderChoices from './LadderChoices.svelte';
	import LightTable from './LightTable.svelte';
	import OwnLimits from './OwnLimits.svelte';

	/** All that an aircraft is beside its name and kind, folded; `all` opens every part. */
	let { craft, set, all }: { craft: Aircraft; set: (change: Partial<Aircraft>) => void; all: boolean } = $props();
</script>

<Fold id="what" title="What it is" brief={brief.about(craft)} open={all}>
	<div class="grid gap-4 md:grid-cols-2">
		<div class="md:col-span-2">
			<TextField
				label="What it is and carries"
				maxlength={400}
				value={craft.description}
				oninput={(e) => set({ description: e.currentTarget.value })}
			/>
		</div>
		<TextField
			label="Firmware"
			maxlength={80}
			value={craft.firmware}
			oninput={(e) => set({ firmware: e.currentTarget.value })}
		/>
		<TextField
			label="Serial number or registration"
			maxlength={80}
			value={craft.serial ?? ''}
			oninput={(e) => set({ serial: e.currentTarget.value || undefined })}
		/>
		<TextField
			label="Maker's manual: where to look"
			maxlength={400}
			value={craft.manual}
			oninput={(e) => set({ manual: e.currentTarget.value })}
		/>
		{#if craft.lights}
			<div class="md:col-span-2">
				<TextField
					label="Its lights and tones, as noted before they had a table"
					rows={2}
					maxlength={2000}
					value={craft.lights}
					oninput={(e) => set({ lights: e.currentTarget.value })}
				/>
			</div>
		{/if}
	</div>
</Fold>
<Fold id="has" title="What it has" brief={brief.frame(craft)} open={all}>
	<div class="flex flex-wrap gap-5">
		<NumberField
			label="Rotors"
			min={0}
			max={16}
			value={craft.rotors}
			required
			onchange={(v) => v !== null && set({ rotors: Math.round(v) })}
		/>
		<NumberField
			label="Compasses"
			min={0}
			max={4}
			value={craft.compasses}
			required
			onchange={(v) => v !== null && set({ compasses: Math.round(v) })}
		/>
		<Checkbox
			checked={craft.hasPosition}
			onchange={(on) => set({ hasPosition: on })}
			label="Receiver for position"
			class="self-center"
		/>
	</div>
	<Equipment {craft} {set} />
</Fold>
<Fold id="radio" title="Its radio" brief={brief.radio(craft)} open={all}><Controls {craft} {set} /></Fold>
<Fold id="lights" title="Its lights and tones" brief={brief.lights(craft)} open={all}><LightTable {craft} {set} /></Fold
>
<Fold id="link-loss" title="What it shows, and link loss" brief={brief.linkLoss(craft)} open={all}>
	<div class="grid gap-5">
		<Choice
			label="What it shows of itself"
			value={craft.gives ?? (showsData(craft) ? 'logs' : 'screen')}
			options={[
				{ value: 'logs', label: 'Logs or live data' },
				{ value: 'screen', label: 'Its own screen', note: 'read off, and guided routines' },
				{ value: 'lights', label: 'Lights alone', note: 'guided routines, watched' },
			]}
			onchange={(gives) => set({ gives })}
		/>
		<div class="flex flex-wrap gap-5">
			<Select
				label="Failsafe action"
				value={craft.lossAction}
				none="Not read yet"
				options={lossActionSchema.options.map((value) => ({ value, label: LOSS_WORDS[value] }))}
				onchange={(lossAction) => set({ lossAction: lossAction ?? undefined })}
			/>
			<Checkbox
				checked={craft.propellersStayOn ?? false}
				onchange={(on) => set({ propellersStayOn: on })}
				label="Its propellers stay on during bench work, by its manual"
				class="self-center"
			/>
		</div>
	</div>
</Fold>
<Fold id="limits" title="Its own limits" brief={brief.limits(craft, units())} open={all}>
	<OwnLimits {craft} {set} />
</Fold>
<Fold id="home" title="How it comes home" brief={brief.home(craft)} open={all}><Flies {craft} {set} /></Fold>
{#if craft.kind !== 'wing' && craft.kind !== 'toy'}
	<Fold id="first-flights" title="Its first flights" brief={brief.firstFlights(craft)} open={all}>
		<LadderChoices {craft} {set} />
	</Fold>
{/if}
<Fold id="due" title="When a calibration is due" brief={brief.school(craft)} open={all}>
	<Choice
		label="When is a calibration due? Practitioners disagree; the default acts on what changed"
		value={craft.school}
		options={[
			{ value: 'as-told', label: 'As told', note: 'maker and prompts only' },
			{ value: 'after-events', label: 'After events', note: 'the default' },
			{ value: 'every-day', label: 'First flight of every day', note: 'ten seconds each' },
		]}
		onchange={(school) => set({ school })}
	/>
</Fold>
