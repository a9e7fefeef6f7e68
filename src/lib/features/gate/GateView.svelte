<script lang="ts">
	import { counted } from '$lib/words/counted';
	import { group } from 'd3-array';
	import { askOf, fellDue, type TaskState } from '$lib/core/session/task';
	import { stationTitle } from '$lib/core/session/stations';
	import Button from '$lib/ui/Button.svelte';
	import Caution from '$lib/ui/Caution.svelte';
	import MarkIcon from '$lib/ui/MarkIcon.svelte';
	import { GRADE_WORDS, MARK_TEXT } from '$lib/ui/marks';
	import { showDay, showTime } from '$lib/ui/format';
	import HappenedButton from '$lib/features/running/HappenedButton.svelte';
	import SetAside from '$lib/features/running/SetAside.svelte';
	import Sheet from '$lib/features/running/Sheet.svelte';
	import { getSessionView } from '$lib/features/running/sessionView.svelte';
	import TaskGroup from '$lib/features/running/TaskGroup.svelte';
	import DecisionBox from './DecisionBox.svelte';
	import FlyingPanel from './FlyingPanel.svelte';

	/** One of the two gates: everything up to it, worst first; each hold and each unseen thing is settled by itself. */
	let { gate: id }: { gate: 'arm' | 'fly' } = $props();
	const view = getSessionView();
	const gate = $derived(view.state[id]);
	const { aircraft, pack } = $derived(view.bundle);
	const compass = $derived(view.due.find(({ sensor }) => sensor === 'compass'));
	/** More rows than that put the decision below a phone's screen. */
	const FEW = 3;
	let showClear = $state(false);
	let asideOf = $state<TaskState | null>(null);

	/** Nothing was seen of it, and it cannot be seen yet. */
	const waits = ({ mark, shut }: TaskState) => mark === 'unseen' && shut !== '';
	const detailOf = (task: TaskState) => (waits(task) ? task.shut : task.detail);
	/** What stands in the way, a row each; what waits for one and the same, or fell due by it, stands in one row. */
	const rows = $derived([
		...group(gate.blocking, (task) => (waits(task) ? task.shut : fellDue(task) ? task.detail : task.task)).values(),
	]);
	const settles = ({ mark, offered, shut }: TaskState) =>
		!view.readOnly && offered !== null && !shut && (mark === 'hold' || mark === 'unseen');
	const title = $derived(
		id === 'fly' && gate.open && !view.readOnly
			? view.state.flight.tookOff && (view.state.flight.landed?.seq ?? -1) < view.state.flight.tookOff.seq
				? 'Flying'
				: view.state.flight.landed
					? 'Landed'
					: 'Decided: to fly'
			: gate.headline,
	);
	const lead = $derived(
		id === 'fly' && gate.open && !view.readOnly
			? `${aircraft.name}${pack ? ` on ${pack.name}` : ''}: eyes on the aircraft. What was seen and set aside stands below.`
			: id === 'arm'
				? `Nothing turns a propeller of ${aircraft.name} under power before this is answered. The worst first; open any row to see or repeat it.`
				: 'Everything seen in this session, the worst first. Open any row to see or repeat it.',
	);
</script>

<Sheet {title} {lead} name={stationTitle(id)}>
	{#snippet corner()}
		<HappenedButton />
		<Button href="/session/{view.bundle.session.id}/sheet">Sheet</Button>
	{/snippet}
	{#snippet margin()}
		{#if id === 'arm'}
			<Caution>From here on propellers can turn. Stand clear, tail toward you, way out planned.</Caution>
		{/if}
		<h2 class="mt-4 mb-2">What changed</h2>
		{#if compass}
			<p class="m-0 mb-1 text-small text-ink-2">As the compass stood before this session</p>
			<ul class="m-0 list-none p-0">
				{#each compass.evidence.filter(({ level }) => level !== 'pass') as reason, k (k)}
					<li class="hairline py-2">{reason.text}</li>
				{:else}
					<li class="hairline py-2">Nothing that asks for another calibration.</li>
				{/each}
			</ul>
		{:else}<p class="m-0 text-ink-2">This aircraft has no compass.</p>{/if}
		{#if pack}
			<h2 class="mt-5 mb-2">Pack</h2>
			<p class="m-0">{pack.name}, {pack.cells} cells, {pack.capacityMah} mAh, {pack.cycles} cycles</p>
		{/if}
		<h2 class="mt-5 mb-2">Who decides</h2>
		<p class="m-0">
			Winglogos shows what stands in the way and what was not seen. The pilot in command decides, by the maker's manual
			and the local rules.
		</p>
	{/snippet}

	{#if id === 'fly' && gate.open && !view.readOnly}<FlyingPanel />{/if}

	{#if !view.readOnly && gate.unsettled === 0 && !gate.open && rows.length > FEW}
		<div class="mt-4 md:hidden"><Button kind="primary" href="#decision">Go to your decision</Button></div>
	{/if}
	<ul class="m-0 mt-4 list-none p-0">
		{#each rows as [task, ...others] (task.task)}
			<li class="hairline flex flex-wrap items-start gap-x-4 gap-y-2 py-3 md:flex-nowrap">
				<MarkIcon mark={task.mark} size={30} />
				{#if others.length > 0}
					<TaskGroup
						tasks={[task, ...others]}
						title={waits(task) ? 'checks wait' : 'calibrations are due'}
						detail={detailOf(task)}
						{settles}
						onaside={(one) => (asideOf = one)}
					/>
				{:else}
					<a href={view.taskHref(task)} class="min-h-11 min-w-0 flex-1 basis-60 text-inherit no-underline">
						<span class="block text-lead font-semibold {task.mark === 'unseen' ? 'text-ink' : MARK_TEXT[task.mark]}"
							>{task.title}</span
						>
						{#if detailOf(task)}<span class="block text-ink-2"
								>{detailOf(task)}{#if task.entry}&nbsp;{showTime(task.entry.at)}{task.grade && task.mark !== 'aside'
										? `, ${GRADE_WORDS[task.grade]}`
										: ''}.{/if}</span
							>{/if}
						{#if askOf(task).advice && !waits(task)}<span class="block font-semibold">{askOf(task).advice}</span>{/if}
					</a>
				{/if}
				{#if !view.readOnly && others.length === 0}
					<div class="flex min-w-0 flex-wrap gap-1 max-md:pl-11 md:max-w-72 md:shrink-0 md:justify-end">
						{#if task.next && !waits(task)}<Button
								kind="quiet"
								class="text-left md:text-right"
								href={view.taskHref(task)}>{askOf(task).press || `Open ${stationTitle(task.station, aircraft)}`}</Button
							>{/if}
						{#if settles(task)}
							<Button kind="quiet" onclick={() => (asideOf = task)}>Set aside</Button>
						{/if}
					</div>
				{/if}
			</li>
		{/each}
		{#if gate.clear.length > 0}<li class="hairline flex items-start gap-4 border-b border-rule py-3">
				<MarkIcon mark="clear" size={24} word={false} />
				<div class="min-w-0 flex-1">
					<b>{gate.clear.length} {gate.clear.length === 1 ? 'check is' : 'checks are'} clear.</b>
					{#if showClear}
						<ul class="m-0 mt-1 pl-5">
							{#each gate.clear as task (task.task)}<li>
									<a href={view.taskHref(task)}>{task.title}</a>
									<span class="text-ink-2">{task.detail} {task.grade ? `(${GRADE_WORDS[task.grade]})` : ''}</span>
								</li>{/each}
						</ul>
					{/if}
				</div>
				<Button kind="quiet" aria-expanded={showClear} onclick={() => (showClear = !showClear)}
					>{showClear ? 'Hide' : 'Show all'}</Button
				>
			</li>{/if}
	</ul>

	<DecisionBox {gate} />
	<p class="mt-4 text-note text-ink-2">
		Session of {showDay(view.bundle.session.startedAt)} with {aircraft.name}: {counted(
			view.bundle.entries.length,
			'entry',
			'entries',
		)} on this device.
	</p>
</Sheet>

<SetAside task={asideOf} onclose={() => (asideOf = null)} />
