<script lang="ts">
	import { loadMessages } from '$lib/ui/worded';
	import Checkbox from '$lib/ui/Checkbox.svelte';
	import TextField from '$lib/ui/TextField.svelte';
	import Quantity from '$lib/ui/Quantity.svelte';
	import { prefer, preferences } from '$lib/ui/preferences.svelte';
	import Choice from '$lib/ui/Choice.svelte';
</script>

<div class="grid gap-5">
	<Choice
		label="Look"
		value={preferences.theme}
		options={[
			{ value: 'paper', label: 'Paper' },
			{ value: 'dusk', label: 'Dusk' },
			{ value: 'sun', label: 'Sun' },
		]}
		onchange={(theme) => prefer({ theme })}
	/>
	<Choice
		label="Units"
		value={preferences.units}
		options={[
			{ value: 'metric', label: 'm, m/s, °C' },
			{ value: 'kmh', label: 'm, km/h, °C' },
			{ value: 'nautical', label: 'ft, NM, kn, °C' },
			{ value: 'imperial', label: 'ft, mph, °F' },
		]}
		onchange={async (units) => {
			await loadMessages(units);
			prefer({ units });
		}}
	/>
	<Choice
		label="Detail"
		value={preferences.detail}
		options={[
			{ value: 'explained', label: 'Explained', note: 'why at every step, tables folded' },
			{ value: 'figures', label: 'All figures', note: 'for builders' },
		]}
		onchange={(detail) => prefer({ detail })}
	/>
	<fieldset class="m-0 grid gap-1 border-0 p-0">
		<legend class="mb-1 text-small text-ink-2">Hands-free cue</legend>
		<Checkbox checked={preferences.voice} onchange={(on) => prefer({ voice: on })} label="Spoken words" />
		<Checkbox checked={preferences.tones} onchange={(on) => prefer({ tones: on })} label="Tones" />
		<Checkbox checked={preferences.readAloud} onchange={(on) => prefer({ readAloud: on })} label="Items read aloud" />
		<Checkbox
			checked={preferences.twoPersons}
			onchange={(on) => prefer({ twoPersons: on })}
			label="Crew confirms each answer (otherwise a stage at once)"
		/>
	</fieldset>
	<TextField
		label="Pilot's name, for new sessions and signatures"
		maxlength={120}
		value={preferences.pilot}
		onchange={(e) => prefer({ pilot: e.currentTarget.value.trim() })}
	/>
	<Quantity
		label="Your step, for distances that are paced"
		of="height"
		decimals={2}
		min={0.3}
		max={1.5}
		value={preferences.stepM}
		required
		note="count twenty along a tape, and divide"
		onchange={(v) => v !== null && prefer({ stepM: v })}
	/>
</div>
