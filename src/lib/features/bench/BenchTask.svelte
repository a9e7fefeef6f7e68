<script lang="ts">
	import { sensorOf } from '$lib/core/evidence/about';
	import { gradeOf } from '$lib/core/evidence/grade';
	import type { TaskState } from '$lib/core/session/task';
	import type { Sensor } from '$lib/schema/records';
	import DueTable from '$lib/features/due/DueTable.svelte';
	import { dueTitle, INSTRUMENT_OF } from '$lib/features/due/fleetDue';
	import TaskRow from '$lib/features/checklist/TaskRow.svelte';
	import SetAside from '$lib/features/running/SetAside.svelte';
	import Sheet from '$lib/features/running/Sheet.svelte';
	import { getSessionView } from '$lib/features/running/sessionView.svelte';
	import Button from '$lib/ui/Button.svelte';
	import Caution from '$lib/ui/Caution.svelte';
	import MarkIcon from '$lib/ui/MarkIcon.svelte';
	import { GRADE_WORDS, markOfFinding } from '$lib/ui/marks';
	import { showTime } from '$lib/ui/format';

	/** The bench of a session: what is due today, measured or guided, and what was done about it here. */
	const view = getSessionView();
	const { aircraft } = view.bundle;
	let asideOf = $state<TaskState | null>(null);

	const tasks = $derived(
		view.state.stations.flatMap((station) => station.tasks).filter(({ page }) => page === 'bench-due'),
	);
	const open = $derived(tasks.filter(({ mark }) => mark === 'unseen' || mark === 'hold'));
	const listed = $derived(view.dueNow.filter(({ sensor }) => sensor !== 'compass' && sensor !== 'link-loss'));
	const here = $derived(
		view.bundle.entries.filter(({ payload }) => payload.kind === 'test' && sensorOf(payload) !== null),
	);
	/** What became of everything that was due: done is not said over what was skipped. */
	function settledWords(all: readonly TaskState[]): string {
		const skipped = all.filter(({ mark }) => mark === 'aside').length;
		const calibrated = all.filter(({ entry, mark }) => entry !== null && mark !== 'aside').length;
		const parts = [
			...(calibrated > 0 ? [`${calibrated} calibrated`] : []),
			...(skipped > 0 ? [`${skipped} skipped`] : []),
		];
		return parts.length === 0 ? 'No calibration is due on the bench' : `Calibrations due: ${parts.join(', ')}`;
	}
	const title = $derived(
		open.length > 0
			? dueTitle(
					listed
						.filter(({ sensor }) => open.some(({ task }) => task === `due-${sensor}`))
						.map((d) => ({ ...d, due: true })),
					aircraft.name,
				)
			: settledWords(tasks),
	);
	const measureHref = (sensor: Sensor) => {
		const id = INSTRUMENT_OF[sensor];
		return id ? view.href('bench', `measure-${id}`) : null;
	};
</script>

<Sheet {title} lead="Bench of {aircraft.name} · the compass is turned at the site, not here" name="Bench: due">
	{#snippet margin()}
		<Caution>Propellers off for everything with power on it. The maker’s manual stands above every routine.</Caution>
		<h2 class="mt-5 mb-1">Measured or guided</h2>
		<p><b>Measured:</b> bring a log; the data themselves say whether the calibration holds.</p>
		<p><b>Guided:</b> the aircraft’s own routine, step by step, hands free; the record says what it showed.</p>
		<p class="text-small text-ink-2">
			A verification hover follows at the Hover station. The values before stay in the record.
		</p>
	{/snippet}
	<div class="mt-4">
		<DueTable
			list={listed}
			done={view.done}
			{measureHref}
			guideHref={(s) => view.href('bench', `guide-${s}`)}
			historyHref={(s) => `/aircraft/${aircraft.id}/history/${s}`}
		/>
	</div>
	{#if open.length > 0}
		<h2 class="mt-6 mb-1">Still open</h2>
		<ul class="m-0 list-none p-0">
			{#each open as task (task.task)}
				<TaskRow
					{task}
					value=""
					current={false}
					primary={false}
					readOnly={view.readOnly}
					href={null}
					onpick={null}
					onaside={() => (asideOf = task)}
				/>
			{/each}
		</ul>
	{/if}
	{#if here.length > 0}
		<h2 class="mt-6 mb-1">Done in this session</h2>
		<ul class="m-0 list-none p-0">
			{#each here as entry (entry.id)}
				{#if entry.payload.kind === 'test'}
					{@const grade = gradeOf(entry.payload)}
					<li class="hairline flex items-start gap-4 py-2.5">
						<MarkIcon mark={markOfFinding(entry.payload)} size={26} />
						<div>
							<p class="m-0">{entry.payload.headline}</p>
							<p class="m-0 text-note text-ink-2">
								{entry.payload.task.replaceAll('-', ' ')} · {showTime(entry.at)} · {entry.payload.sourceName}
								{grade ? ` · ${GRADE_WORDS[grade]}` : ''}{grade === 'rehearsed' && !view.rehearsal
									? ': does not count in a real session'
									: ''}
							</p>
						</div>
					</li>
				{/if}
			{/each}
		</ul>
	{/if}
	<div class="mt-6">
		<Button kind={open.length > 0 ? 'plain' : 'primary'} href={view.href('bench')} class="min-h-14"
			>Back to the bench list</Button
		>
	</div>
</Sheet>

<SetAside task={asideOf} onclose={() => (asideOf = null)} />
