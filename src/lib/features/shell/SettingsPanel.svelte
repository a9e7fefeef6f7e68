<script lang="ts">
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
		onchange={(units) => prefer({ units })}
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
		<legend class="mb-1 text-[15px] text-ink-2">Hands-free cue</legend>
		<label class="flex min-h-11 items-center gap-3">
			<input
				type="checkbox"
				class="size-5 accent-(--action)"
				checked={preferences.voice}
				onchange={(e) => prefer({ voice: e.currentTarget.checked })}
			/>
			Spoken words
		</label>
		<label class="flex min-h-11 items-center gap-3">
			<input
				type="checkbox"
				class="size-5 accent-(--action)"
				checked={preferences.tones}
				onchange={(e) => prefer({ tones: e.currentTarget.checked })}
			/>
			Tones
		</label>
		<label class="flex min-h-11 items-center gap-3">
			<input
				type="checkbox"
				class="size-5 accent-(--action)"
				checked={preferences.readAloud}
				onchange={(e) => prefer({ readAloud: e.currentTarget.checked })}
			/>
			Items read aloud
		</label>
		<label class="flex min-h-11 items-center gap-3">
			<input
				type="checkbox"
				class="size-5 accent-(--action)"
				checked={preferences.twoPersons}
				onchange={(e) => prefer({ twoPersons: e.currentTarget.checked })}
			/>
			Crew confirms each answer (otherwise a stage at once)
		</label>
	</fieldset>
	<label class="grid gap-1">
		<span class="text-[15px] text-ink-2">Pilot's name, for new sessions and signatures</span>
		<input
			class="field-input"
			maxlength="120"
			value={preferences.pilot}
			onchange={(e) => prefer({ pilot: e.currentTarget.value.trim() })}
		/>
	</label>
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
