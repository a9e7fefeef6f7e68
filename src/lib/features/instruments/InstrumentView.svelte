<script lang="ts">
	import { localDay } from '$lib/words/calendar';
	import Sheet from '$lib/features/running/Sheet.svelte';
	import { inField, ofPage } from '$lib/features/shell/keys';
	import type { TestPayload } from '$lib/schema/entries';
	import type { Snippet } from 'svelte';
	import { refusedIn } from '$lib/ui/refuse';
	import Button from '$lib/ui/Button.svelte';
	import Caution from '$lib/ui/Caution.svelte';
	import FileDrop from '$lib/ui/FileDrop.svelte';
	import Progress from '$lib/ui/Progress.svelte';
	import Reasons from '$lib/ui/Reasons.svelte';
	import HoldCoach from '$lib/features/holds/HoldCoach.svelte';
	import HoldStart from '$lib/features/holds/HoldStart.svelte';
	import StickCoach from '$lib/features/holds/StickCoach.svelte';
	import StickStart from '$lib/features/holds/StickStart.svelte';
	import { StickState } from '$lib/features/holds/stickState.svelte';
	import { HoldState } from '$lib/features/holds/holdState.svelte';
	import { download } from '$lib/ui/download';
	import FindingView from './FindingView.svelte';
	import InstrumentForm from './InstrumentForm.svelte';
	import type { InstrumentState } from './instrumentState.svelte';
	import MappingDialog from '../measuring/MappingDialog.svelte';
	import { gradeOfWork, toEntry } from './payload';
	import { practiceAllowed, PRACTICE_WORDS } from '../measuring/practice';
	import LiveRecorder from './LiveRecorder.svelte';
	import KeepBar from './KeepBar.svelte';
	import SampleList from './SampleList.svelte';
	import SoundRecorder from './SoundRecorder.svelte';
	import Ways from '../measuring/Ways.svelte';
	import { asksFirst, leaveRecording, takeLeftRecording, type LeftRecording } from '../measuring/leftWork.svelte';
	import { beginUnderway, forgetUnderway, underwayOf } from '$lib/store/underway';
	import { fileOf } from '../measuring/writtenDown';
	import SitePicker from '../measuring/SitePicker.svelte';
	import type { Site } from '$lib/schema/records';

	/** The frame of every instrument: what goes in, the finding as headline, its figures, its plots, why, and where it is kept. */
	type Props = {
		work: InstrumentState;
		site: Site | null;
		lead: string;
		/** Whose page it is: what is left on it unread is not another's. */
		owner?: string;
		/** Drawn where a pose is asked for. */
		rotors?: number;
		onsite?: (id: string) => void;
		/** More for the margin, and what stands below a finding. */
		aside?: Snippet;
		beside?: Snippet;
		/** In a session the finding is accepted there; alone it is kept in an aircraft's bench book. */
		onaccept?: (payload: TestPayload) => void;
	};
	let { work, site, lead, owner = '', rotors = 4, onsite, aside, beside, onaccept }: Props = $props();

	// svelte-ignore state_referenced_locally
	const key = `${work.instrument.id} ${owner}`;
	let left = $state.raw(takeLeftRecording(key));
	let [leaving, comingBack, kept] = [false, false, false];
	function taken({ file, from }: LeftRecording) {
		if (leaving) return leaveRecording(key, { file, from });
		if (comingBack) return (left = { file, from });
		left = null;
		kept = false;
		void work.takeFile(file, from);
	}
	const taking = (live: { recording: { sourceName: string } }) => (file: File, practice: boolean) =>
		taken({ file, from: { practice, name: named(live.recording.sourceName, practice) } });
	const named = (name: string, practice: boolean) =>
		practice && !name.startsWith('practice') ? `practice: ${name}` : name;
	const holds: HoldState = new HoldState((file, practice) => taking(holds)(file, practice), key);
	const sticks: StickState = new StickState((file, practice) => taking(sticks)(file, practice), key);
	const live = $derived(holds.running ? holds : sticks.running ? sticks : null);
	asksFirst(() => live !== null || left !== null || (work.recorded !== null && !kept));
	$effect(() => () => {
		// What was recorded and went nowhere waits here for the one who comes back.
		leaving = true;
		if (left) leaveRecording(key, left);
		else if (holds.running) holds.finish();
		else if (sticks.running) sticks.finish();
		else if (work.recorded && !kept)
			leaveRecording(key, { file: work.recorded, from: { practice: work.practice, name: work.sourceName } });
		holds.dispose();
		sticks.dispose();
	});
	// What was written down before the page was loaded again is offered like what was left on it.
	void underwayOf(key).then((before) => {
		if (!before || left || live || work.phase !== 'choose') return;
		comingBack = true;
		try {
			if (instrument.coach) holds.takeUp(instrument.coach.plan(work.values), before);
			else if (instrument.gestures) sticks.takeUp(before);
			else {
				const file = fileOf(before);
				if (file) taken({ file, from: { practice: before.from.practice, name: file.name } });
			}
		} finally {
			comingBack = false;
		}
	});
	function settled() {
		kept = true;
		forgetUnderway(key);
	}
	function accept(payload: TestPayload) {
		settled();
		onaccept?.(payload);
	}
	function heard(file: File) {
		const from = { practice: false, name: 'the microphone of this device' };
		beginUnderway(key, from).write(file);
		taken({ file, from });
	}
	function throwAway() {
		left = null;
		forgetUnderway(key);
	}
	function repeat() {
		if (work.recorded) forgetUnderway(key);
		work.repeat();
	}
	const date = localDay(Date.now());

	let sheet = $state<HTMLElement>();
	let saving = $state(false);
	const instrument = $derived(work.instrument);
	const { finding } = $derived(work);
	const accepts = $derived(
		instrument.file?.kind === 'text'
			? instrument.file.accept
			: instrument.file?.kind === 'picture'
				? '.jpg,.jpeg,.png,image/jpeg,image/png'
				: instrument.file?.kind === 'sound'
					? 'audio/*,video/*'
					: '.csv,.txt,.tsv,text/csv,text/plain',
	);
	const FILE_NAMES = { table: 'A log', text: 'A log', picture: 'A photo', sound: 'A recording' } as const;
	const byLog = $derived(
		instrument.file && {
			value: 'file',
			label: FILE_NAMES[instrument.file.kind],
			body: log,
		},
	);
	const payload = () => toEntry(work, site, gradeOfWork(work));
	const practice = practiceAllowed();

	async function saveRecording(recorded: File) {
		download(recorded.name, new Uint8Array(await recorded.arrayBuffer()), recorded.type || 'text/csv');
	}
	/** Works it out, unless a field holds what was refused. */
	function workOut() {
		if (!refusedIn(sheet)) void work.work();
	}
	function onkeydown(event: KeyboardEvent) {
		if (event.key !== 'Enter' || event.repeat || event.ctrlKey || event.metaKey || event.altKey || inField(event))
			return;
		if (!ofPage(event)) return;
		if (live) return;
		if (work.phase === 'result' && finding) (onaccept ? () => accept(payload()) : () => (saving = true))();
		else if (work.phase === 'choose' && work.ready) workOut();
	}
</script>

<svelte:window {onkeydown} />

<Sheet
	title={live?.words ?? work.title}
	{lead}
	name={instrument.title}
	finding={work.phase === 'result' ? finding : null}
>
	{#snippet margin()}
		{@render aside?.()}
		{#if instrument.needsSite && onsite}<div><SitePicker {site} {onsite} /></div>{/if}
		{#if finding}<h2 class="mt-5 mb-1">Why</h2>
			<Reasons reasons={[...finding.reasons]} />{/if}
		<h2 class="mt-5 mb-1">How it is found</h2>
		{#each instrument.method as line (line)}<p class="mt-0 mb-2 text-note text-ink-2">{line}</p>{/each}
		<p class="text-note"><a href="/help/methods">All methods and limits</a></p>
	{/snippet}

	<div bind:this={sheet}>
		{#if instrument.caution && !finding}<div class="mt-4 max-w-read">
				<Caution>{instrument.caution}</Caution>
			</div>{/if}
		{#if holds.running}
			<HoldCoach state={holds} {rotors} name={instrument.title.toLowerCase()} />
		{:else if sticks.running}
			<StickCoach state={sticks} />
		{:else if work.phase === 'busy'}
			<div class="mt-8 grid max-w-md gap-4" role="status">
				<Progress value={work.progress} label="Working it out" />
				<div><Button onclick={() => work.cancel()}>Cancel</Button></div>
			</div>
		{:else}
			{#if finding}
				{#if work.practice}<p class="mt-2 mb-0 text-small text-ink-2">
						{PRACTICE_WORDS}
					</p>{/if}
				<FindingView {finding} pictureUrl={work.pictureUrl} />
				{@render beside?.()}
				{#if work.recorded}
					{@const { recorded } = work}
					<div class="no-print mt-4">
						<Button onclick={() => void saveRecording(recorded)}
							>Save the recording{instrument.file?.kind === 'sound' ? '' : ' (CSV)'}</Button
						>
					</div>
				{/if}
				<KeepBar
					id={instrument.id}
					{finding}
					sourceName={work.sourceName}
					siteId={site?.id ?? null}
					{payload}
					onaccept={onaccept && accept}
					onsaved={settled}
					{sheet}
					onrepeat={repeat}
					bind:saving
				/>
			{/if}
			{#if work.problem}<p
					class="mt-4 border-l-4 border-hold bg-hold-soft px-3 py-2 font-semibold break-words"
					role="alert"
				>
					{work.problem}
				</p>{/if}
			{#if finding}
				{#if instrument.fields.length > 0}<div class="no-print mt-5">{@render needed()}</div>{/if}
			{:else}
				{#if left}
					{@const waiting = left}
					<section class="no-print mt-5 border border-rule p-4">
						<h2 class="m-0">A recording was left here</h2>
						<p class="mt-1 mb-3 text-small text-ink-2">
							Made on this page, by way of {waiting.from.name}, and not kept: the page was left before.
						</p>
						<div class="flex flex-wrap gap-3">
							<Button kind="primary" onclick={() => taken(waiting)}>Work it out</Button>
							<Button kind="quiet" onclick={throwAway}>Throw it away</Button>
						</div>
					</section>
				{/if}
				<div
					class="no-print mt-5 grid items-start gap-6 {instrument.file && instrument.fields.length > 0
						? 'xl:grid-cols-2'
						: ''}"
				>
					{#if instrument.fields.length > 0 && (instrument.coach || !instrument.file)}{@render needed()}{/if}
					{@render source()}
					{#if instrument.fields.length > 0 && instrument.file && !instrument.coach}{@render needed()}{/if}
				</div>
			{/if}
			{#if practice()}
				<SampleList
					samples={instrument.samples}
					redraw={instrument.file?.kind !== 'picture'}
					ontry={(sample, seed) => void work.tryIt(sample, seed)}
				/>
			{/if}
		{/if}
	</div>
</Sheet>

{#if work.table}<MappingDialog flow={work.table} />{/if}

{#snippet log()}
	{#if instrument.file?.kind === 'sound'}<SoundRecorder onfile={heard} />{/if}
	<FileDrop accept={accepts} onfile={(file) => void work.takeFile(file)} hint={instrument.file?.hint} />
{/snippet}

{#snippet source()}
	{#if instrument.coach}
		<HoldStart
			state={holds}
			what={instrument.id}
			plan={instrument.coach.plan(work.values)}
			faults={instrument.coach.faults}
			place={site}
			{date}
			log={byLog}
		/>
	{:else if instrument.gestures}
		<StickStart state={sticks} what={instrument.id} log={byLog} />
	{:else if instrument.live && byLog}
		<LiveRecorder
			kinds={instrument.live}
			what={instrument.id}
			owner={key}
			log={byLog}
			onfile={(file, practice) => taken({ file, from: { practice, name: file.name } })}
		/>
	{:else if byLog}
		<Ways what={instrument.id} ways={[byLog]} first={byLog.value} />
	{/if}
{/snippet}

{#snippet needed()}
	<section class={finding ? 'hairline pt-4' : ''}>
		<h2 class="m-0 mb-3">{finding ? 'What went in' : 'What it needs to know'}</h2>
		<InstrumentForm {work} />
		{#if work.ready}<div class="mt-4">
				<Button kind={finding ? 'plain' : 'primary'} kbd={finding ? '' : '↵'} onclick={workOut}
					>{finding ? 'Work it out again' : 'Work it out'}</Button
				>
			</div>{/if}
	</section>
{/snippet}
