<script lang="ts">
	import { figure } from '$lib/core/figures/figure';
	import { localDay } from '$lib/words/calendar';
	import { ofPage } from '$lib/features/shell/keys';
	import { goto } from '$app/navigation';
	import { placeOf } from '$lib/core/compass/payload';
	import { compassLimits } from '$lib/core/compass/limits';
	import { checkSite, type SiteCheck } from '$lib/core/compass/site';
	import { fieldAt } from '$lib/core/earth/field';
	import { InputError } from '$lib/core/finding/inputError';
	import { COMPASS_ROLES } from '$lib/core/record/logRoles';
	import { Recording } from '$lib/features/measuring/recording.svelte';
	import MappingDialog from '$lib/features/measuring/MappingDialog.svelte';
	import SourceFailure from '$lib/features/measuring/SourceFailure.svelte';
	import SourcePicker from '$lib/features/measuring/SourcePicker.svelte';
	import { TableFlow } from '$lib/features/measuring/tableFlow.svelte';
	import Sheet from '$lib/features/running/Sheet.svelte';
	import { getSessionView } from '$lib/features/running/sessionView.svelte';
	import { hasColumns, series } from '$lib/instruments/files';
	import type { Source } from '$lib/sources/source';
	import type { Series } from '$lib/schema/common';
	import Button from '$lib/ui/Button.svelte';
	import Caution from '$lib/ui/Caution.svelte';
	import Figure from '$lib/ui/Figure.svelte';
	import Progress from '$lib/ui/Progress.svelte';
	import Reasons from '$lib/ui/Reasons.svelte';
	import Scale from '$lib/ui/Scale.svelte';
	import { done, failed } from '$lib/ui/notify';
	import { say, tone } from '$lib/ui/speech';

	const view = getSessionView();
	const { site } = view.bundle;
	const place = placeOf(site);
	const date = localDay(Date.now());
	const recording = new Recording();
	const table = new TableFlow('compass', COMPASS_ROLES, hasColumns(['t', 'mx', 'my', 'mz']));
	const stillS = compassLimits.siteStillS.value;

	let finding = $state.raw<SiteCheck | null>(null);
	let measuring = $state(false);
	/** Where the readings came from. */
	let from = $state({ name: '', practice: false });
	const model = (() => {
		try {
			return place && fieldAt(place.latDeg, place.lonDeg, place.altM, date);
		} catch (error) {
			if (error instanceof InputError) return null;
			throw error;
		}
	})();
	const kept = $derived.by(() => {
		const calibration = view.compassInForce;
		return calibration ? { hardIronUt: calibration.hardIronUt, softIron: calibration.softIron } : undefined;
	});

	$effect(() => () => recording.stop());
	$effect(() => {
		if (!measuring || recording.atS < stillS) return;
		measuring = false;
		recording.stop();
		conclude(recording.mag, recording.accel.t.length > 0 ? recording.accel : undefined);
	});

	function begin(source: Source) {
		finding = null;
		measuring = true;
		from = { name: source.name, practice: source.practice };
		recording.start(source);
		say('Stand still.');
	}

	async function readFile(file: File) {
		try {
			const c = await table.read(file);
			if (!c) return;
			from = { name: file.name, practice: false };
			conclude(series(c, 'm'), c.ax ? series(c, 'a') : undefined);
		} catch (error) {
			failed(error);
		}
	}

	function conclude(mag: Series, accel: Series | undefined) {
		if (!model) return;
		finding = checkSite(mag, accel, model, kept);
		tone(finding.verdict === 'fail' ? 'wrong' : 'done');
		say(finding.reasons[0].text);
	}

	async function accept() {
		if (!finding) return;
		try {
			await view.record('compass', {
				kind: 'test',
				task: 'site-field',
				grade: view.grade('measured', from.practice),
				sourceName: from.name,
				headline: finding.reasons[0].text,
				figures: [
					figure('field-strength', finding.strengthUt, { sigma: finding.strengthSigmaUt }),
					figure('field-model', finding.modelUt),
					figure('dip', finding.dipDeg),
					figure('dip-model', finding.modelDipDeg),
				],
				verdict: finding.verdict,
				reasons: finding.reasons,
			});
			done('Recorded');
			await goto(view.href('compass', finding.verdict === 'fail' ? undefined : 'compass'));
		} catch (error) {
			failed(error);
		}
	}

	const title = $derived(
		finding
			? finding.reasons[0].text
			: measuring
				? 'Stand still'
				: 'Stand still for five seconds, then the place is known',
	);
</script>

<svelte:window
	onkeydown={(event) => {
		if (event.key === 'Enter' && !event.repeat && ofPage(event) && finding) void accept();
	}}
/>

<Sheet {title} lead="Field of {site?.name ?? 'this place'} · before any turning" name="Site field" {finding}>
	{#snippet margin()}
		<Caution><b>Propellers off.</b> Put watch, phone, keys and tools away before you hold the aircraft.</Caution>
		{#if finding}
			<h2 class="mt-5 mb-2">Why</h2>
			<Reasons reasons={finding.reasons} />
		{:else}
			<h2 class="mt-5 mb-2">What decides</h2>
			<p>{compassLimits.siteStrength.why} The limit is {100 * compassLimits.siteStrength.value} % of the model.</p>
			{#if !kept}
				<p class="text-ink-2">
					No calibration is in force yet, so the sensor's own offset cannot be told from the place: the turning will.
				</p>
			{/if}
		{/if}
	{/snippet}

	{#if !model}
		<p class="mt-5 font-semibold">The date of this device is outside the field model; set the date right to compare.</p>
	{:else if finding}
		<div class="mt-5 flex flex-wrap gap-x-12 gap-y-4">
			<Figure
				label="Strength here"
				value={finding.strengthUt.toFixed(1)}
				unit="µT"
				sigma={finding.strengthSigmaUt.toFixed(2)}
				size="huge"
			/>
			{#if finding.dipDeg !== null}<Figure
					label="Dip below level"
					value={finding.dipDeg.toFixed(1)}
					unit="°"
					size="huge"
				/>{/if}
		</div>
		<div class="mt-4 grid max-w-3xl gap-4 md:grid-cols-2">
			<Scale
				label="Field strength"
				unit="µT"
				value={finding.strengthUt}
				low={model.totalUt * (1 - compassLimits.siteStrength.value)}
				high={model.totalUt * (1 + compassLimits.siteStrength.value)}
				expected={model.totalUt}
			/>
			{#if finding.dipDeg !== null}
				<Scale
					label="Dip below level"
					unit="°"
					value={finding.dipDeg}
					low={model.inclinationDeg - compassLimits.dipCautionDeg.value}
					high={model.inclinationDeg + compassLimits.dipCautionDeg.value}
					expected={model.inclinationDeg}
				/>
			{/if}
		</div>
		<div class="mt-5 flex flex-wrap gap-3">
			<Button kind="primary" onclick={accept} kbd="↵">Record it</Button>
			<Button class="min-h-14" onclick={() => (finding = null)}>Measure again</Button>
		</div>
	{:else if measuring}
		<div class="mt-6 grid max-w-md gap-3">
			<p class="figure-mono m-0 text-giant leading-none font-bold">
				{Math.max(0, Math.ceil(stillS - recording.atS))}<span class="ml-1 text-[0.45em] font-medium text-ink-2"
					>s left</span
				>
			</p>
			<Progress value={recording.atS / stillS} label="Standing still" />
			<SourceFailure {recording} />
			<div><Button onclick={() => ((measuring = false), recording.stop())}>Stop</Button></div>
		</div>
	{:else}
		<SourcePicker
			what="site field"
			{place}
			{date}
			accept=".csv,.txt,.tsv,text/csv"
			fileHint="CSV of at least five seconds standing still: time, magnetometer, accelerometer beside it for the dip."
			serialHint="Rows of text with a header: t [s], mx [uT], my [uT], mz [uT], accelerometer beside them."
			onsource={begin}
			onfile={(file) => void readFile(file)}
			startWords="Stand still and measure"
		/>
	{/if}
</Sheet>
<MappingDialog flow={table} />
