<script lang="ts">
	import type { Sensor } from '$lib/schema/records';
	import DueTable from '$lib/features/due/DueTable.svelte';
	import { dueTitle, INSTRUMENT_OF } from '$lib/features/due/fleetDue';
	import AsideDialog from '$lib/features/checklist/AsideDialog.svelte';
	import Sheet from '$lib/features/session/Sheet.svelte';
	import { getSessionView } from '$lib/features/session/sessionView.svelte';
	import Button from '$lib/ui/Button.svelte';
	import Caution from '$lib/ui/Caution.svelte';
	import Gate from '$lib/ui/Gate.svelte';
	import { MARK_OF_VERDICT } from '$lib/ui/marks';
	import { done as notify, failed } from '$lib/ui/notify';
	import { showTime } from '$lib/ui/format';

	/** The bench of a session: what is due today, measured or guided, and what was done about it here. */
	const view = getSessionView();
	const { aircraft } = view.bundle;
	let asking = $state(false);

	const here = $derived(
		view.bundle.entries.filter(({ payload }) => payload.kind === 'test' && payload.sensor !== undefined),
	);
	const doneHere = $derived(new Set(here.map(({ payload }) => (payload.kind === 'test' ? payload.sensor : undefined))));
	const open = $derived(view.benchDue.filter(({ due, sensor }) => due && !doneHere.has(sensor)));
	const title = $derived(open.length > 0 ? dueTitle(open, aircraft.name) : 'What was due on the bench is done');
	const measureHref = (sensor: Sensor) => {
		const id = INSTRUMENT_OF[sensor];
		return id ? view.href('bench', `measure-${id}`) : null;
	};

	async function setAside(reason: string) {
		try {
			await view.record('bench', {
				kind: 'decision',
				task: 'measurement-aside',
				decision: 'aside',
				about: 'bench-due',
				reason,
				signedBy: view.bundle.session.pilot,
				marks: [],
			});
			asking = false;
			notify('Set aside; it stays visible with its reason');
		} catch (error) {
			failed(error);
		}
	}
</script>

<Sheet {title} lead="Bench of {aircraft.name} · the compass is turned at the site, not here" name="Bench: due">
	{#snippet margin()}
		<Caution>Propellers off for everything with power on it. The maker’s manual stands above every routine.</Caution>
		<h2 class="mt-5 mb-1">Measured or guided</h2>
		<p>
			<b>Measured:</b> bring a log, or the simulated fleet; the data themselves say whether the calibration holds.
		</p>
		<p><b>Guided:</b> the aircraft’s own routine, step by step, hands free; the record says what it showed.</p>
		<p class="text-[15px] text-ink-2">
			A verification hover follows at the Hover station. The values before stay in the record.
		</p>
	{/snippet}
	<div class="mt-4">
		<DueTable
			list={view.benchDue}
			done={view.bundle.done}
			{measureHref}
			guideHref={(s) => view.href('bench', `guide-${s}`)}
			historyHref={(s) => `/aircraft/${aircraft.id}/history/${s}`}
		/>
	</div>
	{#if here.length > 0}
		<h2 class="mt-6 mb-1">Done in this session</h2>
		<ul class="m-0 list-none p-0">
			{#each here as entry (entry.id)}
				{#if entry.payload.kind === 'test'}
					<li class="hairline flex items-start gap-4 py-2.5">
						<Gate mark={MARK_OF_VERDICT[entry.payload.verdict]} size={26} />
						<div>
							<p class="m-0">{entry.payload.headline}</p>
							<p class="m-0 text-[14px] text-ink-2">
								{entry.payload.task.replaceAll('-', ' ')} · {showTime(entry.at)} · {entry.payload.sourceName}{entry
									.payload.practice
									? ' · practice: counts in this session only'
									: ''}
							</p>
						</div>
					</li>
				{/if}
			{/each}
		</ul>
	{/if}
	<div class="mt-6 flex flex-wrap gap-3">
		<Button kind={open.length > 0 ? 'plain' : 'primary'} href={view.href('bench')} class="min-h-14"
			>Back to the bench list</Button
		>
		{#if open.length > 0}<Button class="min-h-14" onclick={() => (asking = true)}>Set aside what is left</Button>{/if}
	</div>
</Sheet>

<AsideDialog
	open={asking}
	title="Why is it set aside?"
	action="Set aside"
	onclose={() => (asking = false)}
	onreason={setAside}
/>
