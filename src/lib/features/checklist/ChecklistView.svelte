<script lang="ts">
	import { group } from 'd3-array';
	import { goto } from '$app/navigation';
	import { page } from '$app/state';
	import type { StationId } from '$lib/schema/records';
	import type { CheckPayload, EventKind, Odd } from '$lib/schema/entries';
	import type { StatedFact } from '$lib/schema/facts';
	import { checklistFor, type Item } from '$lib/core/session/items';
	import { faultsOf } from '$lib/core/session/checklist/faults';
	import { signOf } from '$lib/core/session/checklist/signs';
	import { outcomeOf } from '$lib/core/session/answers';
	import { isImpossible, meantBy, type Meant } from '$lib/core/session/slips';
	import { checkOf } from '$lib/core/session/tasks/items';
	import type { StationState } from '$lib/core/session/assess';
	import { askOf, fellDue, type TaskState } from '$lib/core/session/task';
	import { formatQuantity, unitSymbol } from '$lib/words/units';
	import { findInstrument } from '$lib/instruments/catalogue';
	import Button from '$lib/ui/Button.svelte';
	import Caution from '$lib/ui/Caution.svelte';
	import MarkIcon from '$lib/ui/MarkIcon.svelte';
	import { done, failed } from '$lib/ui/notify';
	import { prefer, preferences, units } from '$lib/ui/preferences.svelte';
	import { say } from '$lib/ui/speech';
	import { inField } from '$lib/features/shell/keys';
	import { settledTask } from '$lib/core/facts/statements';
	import ConflictCard from '$lib/features/running/ConflictCard.svelte';
	import CloseBox from '$lib/features/running/CloseBox.svelte';
	import Happened from '$lib/features/running/Happened.svelte';
	import HappenedButton from '$lib/features/running/HappenedButton.svelte';
	import SetAside from '$lib/features/running/SetAside.svelte';
	import Sheet from '$lib/features/running/Sheet.svelte';
	import TaskGroup from '$lib/features/running/TaskGroup.svelte';
	import { getSessionView } from '$lib/features/running/sessionView.svelte';
	import { controlsAt, controlWords } from '$lib/core/session/controls';
	import { placeAt } from '$lib/core/session/placeAt';
	import { lightsAt } from '$lib/core/session/lights';
	import Later from '$lib/ui/Later.svelte';
	import LightLines from '$lib/ui/LightLines.svelte';
	import ArmingHelp from './ArmingHelp.svelte';
	import Daylight from './Daylight.svelte';
	import ConfirmStage from './ConfirmStage.svelte';
	import FailDialog from './FailDialog.svelte';
	import ItemAnswer from './ItemAnswer.svelte';
	import ItemMargin from './ItemMargin.svelte';
	import PlanBudget from './PlanBudget.svelte';
	import SessionPhotos from '$lib/features/photos/SessionPhotos.svelte';
	import RotorDrawing from '$lib/ui/RotorDrawing.svelte';
	import { rotorsOf } from '$lib/features/motors/rotorsOf';
	import HandsLately from '$lib/features/practice/HandsLately.svelte';
	import RemedyDialog from './RemedyDialog.svelte';
	import HoverStep from './HoverStep.svelte';
	import TaskRow from './TaskRow.svelte';
	import WindCard from './WindCard.svelte';

	let { station }: { station: StationId } = $props();
	const view = getSessionView();

	const items = $derived(
		new Map(
			checklistFor(view.setting)
				.filter((i) => i.station === station)
				.map((item) => [item.id, item]),
		),
	);
	const own = $derived(view.state.stations.find(({ id }) => id === station));
	const tasks = $derived(own?.tasks ?? []);
	/** A row each; calibrations that fell due by one and the same stand in one. */
	const inOrder = $derived([
		...group(tasks, (task) => (fellDue(task) && !task.shut ? task.detail : task.task)).values(),
	]);
	/** Where no item is asked, what is next stands first. */
	const rows = $derived.by(() => {
		const at = chosen || view.readOnly ? -1 : inOrder.findIndex((row) => row.some((task) => task === next));
		return at < 0 ? inOrder : [inOrder[at], ...inOrder.toSpliced(at, 1)];
	});
	const asked = $derived(tasks.filter(({ task }) => items.has(task)));
	const following = $derived(
		view.state.stations[view.state.stations.findIndex(({ id }) => id === station) + 1] ?? null,
	);

	/** The item that was asked for by a link or picked from the list; a new address asks again. */
	let picked = $derived(page.url.searchParams.get('item'));
	const firstOpen = $derived(asked.find(({ mark, shut }) => mark === 'unseen' && !shut));
	const chosen = $derived(view.readOnly ? null : (asked.find(({ task }) => task === picked) ?? firstOpen ?? null));
	const item = $derived(chosen ? (items.get(chosen.task) ?? null) : null);
	const instrument = $derived(item?.opens ? findInstrument(item.opens) : null);
	const next = $derived(tasks.find(({ mark, page: own, shut }) => mark === 'unseen' && own && !shut) ?? null);
	/** What keeps the station’s items shut; a measurement that waits for one of them says so itself. */
	const shut = $derived((asked.length > 0 ? asked : tasks).find((task) => task.shut)?.shut ?? '');
	/** What holds the station, where nothing else is asked here. */
	const held = $derived(
		chosen || next || shut || view.readOnly
			? null
			: (tasks.find(({ mark, shut: why }) => mark === 'hold' && !why) ?? null),
	);
	/** The wind is entered in its row. */
	const leads = ({ task, page: of }: TaskState) =>
		items.has(task) || (of !== null && of !== 'wind' && of !== 'conflict');
	const again = (task: TaskState) => (items.has(task.task) ? (picked = task.task) : void goto(view.taskHref(task)));
	/** Nothing is left to do here: where it goes on, the first thing under the headline. */
	const over = $derived(chosen || next || shut || held || station === 'close' ? null : following);

	const isOwn = (id: string) => (view.bundle.aircraft.ownList?.items ?? []).some((one) => one.id === id);

	let asideOf = $state<TaskState | null>(null);
	let failing = $state(false);
	let unarmed = $state(false);
	const ARMS: readonly string[] = ['bench-arm', 'switches', 'link', 'pre-arm', 'spin-up'];
	/** What the aircraft's radio and the place have to say to it. */
	const known = $derived(
		item ? [...controlsAt(view.bundle.aircraft, item).map(controlWords), ...placeAt(view.bundle.site, item)] : [],
	);
	let bumped = $state(false);
	/** What is being answered, as it stood: until the page has moved on, the next press is the same press; then it is the next one. */
	let sent = $state('');
	const asking = $derived(chosen ? `${chosen.task} ${chosen.entry?.id ?? ''}` : '');
	const busy = $derived(sent !== '' && sent === asking);
	let answer = $state<ItemAnswer>();
	let step = $state<HoverStep>();
	/** An OK that waits for what was done about the problem that the last answer found. */
	let mending = $state.raw<{ done: Partial<CheckPayload>; words: string } | null>(null);
	const problem = $derived(chosen?.mark === 'hold' || chosen?.mark === 'caution' ? checkOf(chosen.entry) : null);
	/** The answer that stopped the flight: it is only corrected, not given again. */
	const stopped = $derived(view.state.record.stop !== null && view.state.record.stop.id === chosen?.entry?.id);
	const failedBefore = $derived(
		problem?.outcome === 'failed' && item !== null && item.type !== 'measure' && item.type !== 'wait',
	);
	/** A value that cannot be, and what may have been meant. */
	let slip = $state<{ value: number; meant: Meant[] } | null>(null);

	const answered = $derived(asked.filter(({ mark }) => mark !== 'unseen').length);
	const title = $derived(
		own?.headline ??
			chosen?.title ??
			(next ? next.title : shut ? 'Not yet' : `${own?.title ?? ''}: everything here is answered`),
	);
	const lead = $derived(
		`${own?.title ?? ''} of ${view.bundle.aircraft.name}${asked.length > 0 ? ` · ${answered} of ${asked.length} answered` : ''}`,
	);

	async function write(of: Item, check: Omit<CheckPayload, 'kind' | 'task' | 'unit' | 'grade'>, words: string) {
		if (busy || !chosen) return;
		if (failedBefore && check.outcome !== 'failed' && check.remedy === undefined) {
			mending = { done: check, words };
			return;
		}
		const answering = asking;
		sent = answering;
		try {
			await view.record(
				station,
				{ kind: 'check', task: of.id, unit: of.limit?.unit ?? '', grade: view.grade(of.grade ?? 'seen'), ...check },
				chosen.entry?.id ?? null,
			);
			if (picked === of.id) picked = null;
			failing = false;
			done(words);
		} catch (error) {
			failed(error);
		} finally {
			if (sent === answering) sent = '';
		}
	}

	/** The second person, where there is one and answers are confirmed. */
	const crew = $derived(view.bundle.session.crew ?? []);
	const confirmer = $derived(preferences.twoPersons ? (crew[0]?.name ?? '') : '');
	/** An answer that waits for the second person. */
	let waiting = $state.raw<{
		of: string;
		value: number | null;
		waitedS: number | null;
		states: StatedFact | undefined;
	} | null>(null);
	$effect(() => {
		if (waiting && waiting.of !== item?.id) waiting = null;
	});
	$effect(() => {
		if (preferences.readAloud && chosen && !chosen.shut) say(chosen.title);
	});

	async function accept(
		value: number | null,
		waitedS: number | null,
		{ confirmed = false, states }: { confirmed?: boolean; states?: StatedFact | undefined } = {},
	) {
		if (!item) return;
		slip = null;
		if (value !== null && isImpossible(item, value)) {
			slip = { value, meant: meantBy(item, value, view.bundle.pack?.cells ?? null) };
			return;
		}
		if (confirmer && !confirmed && outcomeOf(item, value, waitedS) === 'done') {
			waiting = { of: item.id, value, waitedS, states };
			if (preferences.readAloud) say(`${confirmer}?`);
			return;
		}
		waiting = null;
		const outcome = outcomeOf(item, value, waitedS);
		await write(
			item,
			{
				outcome,
				value,
				waitedS,
				reason: '',
				...(confirmed && confirmer ? { confirmedBy: confirmer } : {}),
				...(states ? { states: [states] } : {}),
			},
			outcome === 'done' ? 'Recorded' : 'Recorded as not as it should be',
		);
	}
	/** A problem: on an armed aircraft it stops everything, and what to do stands on the screen at once. */
	const fails = (of: Item, reason: string) =>
		write(of, { outcome: 'failed', value: null, waitedS: null, reason }, 'Recorded').then(() => {
			if (view.state.record.stop && (station === 'response' || station === 'hover'))
				void goto(view.href(station, 'response-stop'));
		});

	const nudge = (outcome: CheckPayload['outcome'], odd?: Odd) =>
		item &&
		write(
			item,
			{ outcome, value: null, waitedS: null, reason: '', ...(odd ? { odd } : {}) },
			outcome === 'failed' ? 'Recorded. Stop: throttle down, disarm' : 'Recorded',
		).then(() => {
			if (outcome === 'failed') void goto(view.href('response', 'response-stop'));
		});

	/** The remedy of a problem: a change is an event, after which the check is asked again with all that it undoes. */
	async function mended(remedy: string, event: EventKind | null) {
		const waitingFor = mending;
		if (!item || !waitingFor) return;
		mending = null;
		if (!event) {
			await write(
				item,
				{ outcome: 'done', value: null, waitedS: null, reason: '', ...waitingFor.done, remedy },
				waitingFor.words,
			);
			return;
		}
		try {
			await view.happened(event, remedy);
			done('Change logged: check it again');
		} catch (error) {
			failed(error);
		}
	}

	/** A hover test step that was flown: by its clock, or by the pilot's word alone. */
	function flown(flownS: number | null) {
		if (!item) return;
		void write(
			item,
			flownS === null
				? { outcome: 'doubtful', value: null, waitedS: null, reason: 'By your word: the step was not timed.' }
				: { outcome: 'done', value: null, waitedS: flownS, flownS, reason: '' },
			'Recorded',
		);
	}

	function notRight() {
		if (item?.isEvent) bumped = true;
		else failing = true;
	}

	function move(by: number) {
		const at = asked.findIndex(({ task }) => task === chosen?.task);
		picked = asked[Math.max(0, Math.min(asked.length - 1, at + by))]?.task ?? null;
	}

	function onkeydown(event: KeyboardEvent) {
		// A key that is held down is one press.
		if (
			event.ctrlKey ||
			event.metaKey ||
			event.altKey ||
			event.repeat ||
			asideOf ||
			failing ||
			bumped ||
			unarmed ||
			mending
		)
			return;
		const onControl = event.target instanceof HTMLElement && event.target.closest('button, a, input, textarea, select');
		const open = chosen && !chosen.shut;
		if (event.key === 'ArrowDown' && !inField(event)) move(1);
		else if (event.key === 'ArrowUp' && !inField(event)) move(-1);
		else if (inField(event)) return;
		else if (event.key === 'Enter' && !onControl) {
			if (waiting) void accept(waiting.value, waiting.waitedS, { ...waiting, confirmed: true });
			else if (open && !stopped) (item?.rung ? step : answer)?.press();
			else if (next) void goto(view.taskHref(next));
			else if (held && leads(held)) again(held);
			else if (following && !chosen) void goto(view.href(following.id));
		} else if (event.key === 'x' && open && chosen.offered) asideOf = chosen;
		else if (event.key === 'n' && open && item?.type !== 'nudge') notRight();
		else if (/^[0-9]$/.test(event.key) && open && item?.type === 'measure') answer?.type(event.key);
		else if (/^[1-3]$/.test(event.key) && open && (item?.type === 'nudge' || item?.choices)) answer?.type(event.key);
		else return;
		event.preventDefault();
	}

	const showValue = (of: Item, si: number) =>
		of.limit?.quantity ? formatQuantity(si, of.limit.quantity, units()) : `${si} ${of.limit?.unit ?? ''}`.trim();
	const unitOf = (of: Item) => (of.limit?.quantity ? unitSymbol(of.limit.quantity, units()) : (of.limit?.unit ?? ''));
	const valueOf = ({ task, entry }: TaskState) => {
		const check = checkOf(entry);
		const of = items.get(task);
		return check && of && check.value !== null ? showValue(of, check.value) : '';
	};
</script>

<svelte:window {onkeydown} />

<Sheet {title} {lead} name={own?.title ?? ''} verbatim={item !== null && title === chosen?.title && isOwn(item.id)}>
	{#snippet corner()}
		<HappenedButton />
		<Button aria-pressed={preferences.readAloud} onclick={() => prefer({ readAloud: !preferences.readAloud })}
			>{preferences.readAloud ? 'Quiet' : 'Read aloud'}</Button
		>
	{/snippet}
	{#snippet margin()}
		<ItemMargin {station} item={item ?? null} {tasks} />
	{/snippet}

	{#if shut && !view.readOnly}
		<div class="mt-4 flex flex-wrap items-center gap-4 border-y border-rule py-4">
			<p class="m-0 min-w-0 flex-1 basis-60 font-semibold text-hold">{shut}</p>
			{#if tasks.some(({ task }) => task === 'response-stop')}
				<Button kind="primary" href={view.href(station, 'response-stop')}>Make it safe</Button>
			{:else if station === 'response' || station === 'hover'}
				<Button kind="primary" href={view.state.record.stop ? view.href(station, 'response-stop') : view.href('arm')}
					>{view.state.record.stop ? 'Make it safe' : 'Go to Arm'}</Button
				>
			{:else if station === 'power-up'}
				{@const left = view.state.arm.blocking.find(
					(task) => task.mark === 'unseen' && (task.station === 'bench' || task.station === 'compass'),
				)}
				{#if left}<Button kind="primary" href={view.taskHref(left)}>{left.next}</Button>{/if}
			{/if}
		</div>
	{/if}

	{#if held && leads(held)}
		{@const first = held}
		<div class="mt-4">
			<Button kind="primary" kbd="↵" onclick={() => again(first)}
				>{items.get(first.task)?.type === 'measure'
					? 'Enter it again'
					: items.has(first.task)
						? 'Check it again'
						: askOf(first).press || 'Open it'}</Button
			>
			{#if items.has(first.task)}{@const check = checkOf(first.entry)}
				<Button
					class="ml-3 min-h-14"
					href={view.finderHref(check ? signOf(first.task, check.reason, check.odd) : undefined, first.task)}
					>Find the cause</Button
				>{/if}
		</div>
	{:else if over}
		<div class="mt-4">{@render goOn(over)}</div>
	{/if}

	{#if chosen && item && !chosen.shut}
		{#key item.id}
			<div class="mt-4 border-y border-rule py-5">
				{#if title !== chosen.title}<h2 class="mt-0 mb-3 text-step">{chosen.title}</h2>{/if}
				{#if preferences.detail === 'explained'}<p class="mt-0 mb-4 max-w-read text-lead text-ink-2">
						{item.why}
					</p>{/if}
				{#if item.caution}<div class="mb-4 max-w-read"><Caution>{item.caution}</Caution></div>{/if}
				<LightLines lines={lightsAt(view.bundle.aircraft.lightTable, item)} aircraftName={view.bundle.aircraft.name} />
				{#if known.length > 0}
					<ul class="m-0 mb-4 list-none p-0">
						{#each known as line, k (k)}<li class="py-0.5 text-step">{line}</li>{/each}
					</ul>
				{/if}
				{#if item.aid === 'propellers' && view.bundle.aircraft.rotors > 2}
					<div class="mb-4">
						<RotorDrawing
							rotors={rotorsOf(view.bundle.aircraft)}
							label="The way each propeller turns, seen from above"
						/>
					</div>
				{/if}
				{#if item.aid === 'own-hands'}<HandsLately pilot={view.bundle.session.pilot} />{/if}
				{#if item.aid === 'daylight' && view.bundle.site}<Daylight site={view.bundle.site} />{/if}
				{#if stopped}
					<Button class="min-h-14" disabled={busy} onclick={() => (mending = { done: {}, words: 'Recorded' })}
						>Correct this answer</Button
					>
				{:else if item.rung}
					<HoverStep
						bind:this={step}
						step={item.rung}
						owner="{view.half} {item.id}"
						{busy}
						onflown={flown}
						onfault={notRight}
					/>
				{:else}<ItemAnswer
						bind:this={answer}
						{item}
						of={view.half}
						answeredAt={chosen.entry?.at ?? null}
						unit={unitOf(item)}
						{busy}
						onaccept={(value, waitedS, states) => accept(value, waitedS, { states })}
						onnudge={(outcome, odd) => void nudge(outcome, odd)}
					/>{/if}
				{#if waiting && waiting.of === item.id}
					{@const held = waiting}
					<div class="mt-4 flex flex-wrap items-center gap-3 rounded border border-ink px-gutter py-3" role="status">
						<span class="min-w-0 flex-1 basis-52 text-lead"
							>{confirmer}: is it so{held.value === null ? '' : `, ${showValue(item, held.value)}`}?</span
						>
						<Button
							kind="primary"
							kbd="↵"
							disabled={busy}
							onclick={() => void accept(held.value, held.waitedS, { ...held, confirmed: true })}
							>Confirmed by {confirmer}</Button
						>
						<Button class="min-h-14" onclick={() => (waiting = null)}>Look again</Button>
					</div>
				{/if}
				{#if slip}
					<div class="mt-4 border-l-4 border-hold bg-hold-soft px-3 py-2" role="alert">
						<p class="m-0 font-semibold">
							{showValue(item, slip.value)} cannot be. {slip.meant.length > 0
								? 'Was it meant as'
								: 'Check the comma and the unit.'}
						</p>
						{#if slip.meant.length > 0}
							<div class="mt-2 flex flex-wrap gap-2">
								{#each slip.meant as { value, words } (value)}
									<Button class="min-h-14" disabled={busy} onclick={() => void accept(value, null, { confirmed: true })}
										>{words}</Button
									>
								{/each}
							</div>
						{/if}
					</div>
				{/if}
				<div class="mt-4 flex min-h-11 flex-wrap gap-3">
					<Later>
						{#if item.page}<Button href={view.href(station, item.page.of)}>{item.page.words}</Button>{/if}
						{#if item.link}<Button href="/aircraft/{view.bundle.aircraft.id}/{item.link.to}">{item.link.words}</Button
							>{/if}
						{#if instrument}<Button href={view.href(station, `measure-${instrument.id}`)}
								>Measure it: {instrument.title.toLowerCase()}</Button
							>{/if}
						{#if ARMS.includes(item.id)}<Button onclick={() => (unarmed = true)}>It will not arm</Button>{/if}
						{#if item.type !== 'nudge' && !stopped}<Button onclick={notRight} kbd="n"
								>{item.isEvent ? 'There was one: note it' : 'Not as it should be'}</Button
							>{/if}
						{#if chosen.offered}<Button onclick={() => (asideOf = chosen)} kbd="x">Set aside</Button>{/if}
						<SessionPhotos {station} task={item.id} />
					</Later>
				</div>
			</div>
		{/key}
	{/if}

	<ul class="m-0 mt-2 list-none p-0">
		{#each rows as [task, ...others] (task.task)}
			{#if others.length > 0}
				<li class="flex flex-wrap items-start gap-x-4 gap-y-2 border-b border-fine py-3 md:flex-nowrap">
					<MarkIcon mark={task.mark} />
					<TaskGroup
						tasks={[task, ...others]}
						title="calibrations are due"
						detail={task.detail}
						settles={({ offered }) => !view.readOnly && offered !== null}
						onaside={(one) => (asideOf = one)}
					/>
					{#if !view.readOnly}
						<Button
							kind={!chosen && task === next ? 'primary' : 'plain'}
							class="max-md:ml-11"
							href={view.taskHref(task)}>{task.next}</Button
						>
					{/if}
				</li>
			{:else}
				<TaskRow
					{task}
					value={valueOf(task)}
					current={chosen?.task === task.task}
					headed={rows.length === 1 && task.title === title}
					primary={!chosen && task === next}
					waits={shut ? '' : task.shut}
					readOnly={view.readOnly}
					href={task.page && task.page !== 'wind' && task.page !== 'conflict' ? view.taskHref(task) : null}
					onpick={items.has(task.task) && !view.readOnly ? () => (picked = task.task) : null}
					onaside={() => (asideOf = task)}
				/>
			{/if}
			{#if task.task === 'wind' && !view.readOnly}<li class="border-b border-fine py-3"><WindCard /></li>{/if}
			{#if task.page === 'conflict' && !view.readOnly}
				{@const conflict = view.facts.conflicts.find(({ key }) => settledTask(key) === task.task)}
				{#if conflict}<li class="border-b border-fine py-3"><ConflictCard {conflict} /></li>{/if}
			{/if}
		{/each}
	</ul>

	<ConfirmStage {station} {tasks} />
	{#if station === 'plan' && view.bundle.session.kind !== 'bench'}<PlanBudget />{/if}
	{#if station === 'close'}<CloseBox settled={!chosen} />
	{:else if !chosen && following && !over}
		<div class="mt-5">{@render goOn(following)}</div>
	{/if}
</Sheet>

{#snippet goOn({ id, title: to }: StationState)}
	<Button kind={over ? 'primary' : 'plain'} href={view.href(id)} kbd={next || held ? undefined : '↵'}
		>Go on to {to}</Button
	>
{/snippet}

<SetAside task={asideOf} onclose={() => (asideOf = null)} />
<ArmingHelp bind:open={unarmed} />
<FailDialog
	open={failing}
	offered={item ? faultsOf(item) : []}
	finder={view.finderHref(problem && item ? signOf(item.id, problem.reason, problem.odd) : undefined, item?.id)}
	onclose={() => (failing = false)}
	onreason={(reason) => item && void fails(item, reason)}
/>
<RemedyDialog
	open={mending !== null}
	problem={problem ? `${problem.reason || chosen?.title || ''}` : ''}
	{stopped}
	onclose={() => (mending = null)}
	onremedy={(remedy, event) => void mended(remedy, event)}
/>
<Happened
	bind:open={bumped}
	start="knock"
	onnoted={(_, note) =>
		item &&
		void write(item, { outcome: 'failed', value: null, waitedS: null, reason: note || 'noted as an event' }, 'Noted')}
/>
