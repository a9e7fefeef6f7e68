<script lang="ts">
	import { localDay } from '$lib/words/calendar';
	import { goto } from '$app/navigation';
	import { valueOf } from '$lib/core/facts/facts';
	import { judge } from '$lib/core/finding/reasons';
	import { lockBeside, locksLike, usualLock } from '$lib/core/position/usualLock';
	import { live } from '$lib/store/live.svelte';
	import { entriesAbout } from '$lib/store/earlier';
	import type { TestPayload } from '$lib/schema/entries';
	import type { GnssAnswer } from '$lib/schema/gnss';
	import Caution from '$lib/ui/Caution.svelte';
	import Reasons from '$lib/ui/Reasons.svelte';
	import { done, failed } from '$lib/ui/notify';
	import Sheet from '$lib/features/running/Sheet.svelte';
	import { getSessionView } from '$lib/features/running/sessionView.svelte';
	import { showsData } from '$lib/core/aircraft/capabilities';
	import { comesBack } from '$lib/features/measuring/leftWork.svelte';
	import PositionBody from './PositionBody.svelte';
	import ReadOff from './ReadOff.svelte';
	import { positionFigures } from './figures';
	import { PositionState } from './positionState.svelte';

	const view = getSessionView();
	const { aircraft, site } = view.bundle;
	/** The lock rule in force. */
	const rule = $derived({
		minSatellites: valueOf(view.facts, 'minSatellites') ?? aircraft.lock.minSatellites,
		maxHdop: valueOf(view.facts, 'maxHdop') ?? aircraft.lock.maxHdop,
		holdS: valueOf(view.facts, 'lockHoldS') ?? aircraft.lock.holdS,
	});
	const { work, recorded } = comesBack(`position ${view.half}`, (key) => new PositionState(() => rule, key));
	const now = new Date().toISOString();
	/** Earlier locks of this aircraft, cold or warm as it is now. */
	const earlier = live(async () => (view.rehearsal ? [] : entriesAbout(view.bundle.aircraft.id, 'position')));
	const usual = $derived(usualLock(locksLike(earlier.current ?? [], now)));
	/** What the lock says beside its usual, while it is waited for and once it is there. */
	const beside = $derived.by(() => {
		const { answer } = work;
		if (answer?.lockS !== null && answer?.lockS !== undefined) return lockBeside(usual, answer.lockS, true);
		return work.phase === 'watching' ? lockBeside(usual, work.recording.atS, false) : null;
	});
	/** What is shown beside the lock and what is recorded: one judgement. */
	const judged = $derived(work.answer && judge(beside ? [...work.answer.reasons, beside] : work.answer.reasons));

	async function keepReadOff(payload: Omit<TestPayload, 'grade'>): Promise<boolean> {
		try {
			await view.record('position', { ...payload, grade: view.grade('read-off') });
			done('Recorded');
			void goto(view.href('position'));
			return true;
		} catch (error) {
			failed(error);
			return false;
		}
	}
	async function accept(answer: GnssAnswer) {
		try {
			await view.record('position', {
				kind: 'test',
				task: 'position',
				grade: view.grade('measured', work.practice),
				sourceName: work.sourceName,
				headline: work.title,
				figures: positionFigures(answer),
				...judge(beside ? [...answer.reasons, beside] : answer.reasons),
			});
			recorded();
			done('Recorded');
			await goto(view.href('position'));
		} catch (error) {
			failed(error);
		}
	}
</script>

{#snippet screen()}
	<ReadOff {rule} owner={view.half} lights={aircraft.gives === 'lights'} onread={keepReadOff} />
{/snippet}

<Sheet
	title={work.title}
	lead="Position of {aircraft.name} · {rule.minSatellites} satellites, HDOP {rule.maxHdop}, held {rule.holdS} s"
	name="Position"
	finding={work.found && judged ? { ...work.found, ...judged } : work.found}
>
	{#snippet margin()}
		<Caution
			>Home is where the aircraft goes when the link is lost. Take off only once it is stored here, at the mark.</Caution
		>
		{#if work.answer}
			<h2 class="mt-5 mb-2">Why</h2>
			<Reasons reasons={judged?.reasons ?? []} />
		{:else}
			{#if usual}<p class="mt-4 mb-0">
					It usually locks within {usual.usualS.toFixed(0)} s ({usual.lowS.toFixed(0)} to {usual.highS.toFixed(0)}), by {usual.n}
					earlier locks like this one.
				</p>{/if}
			<h2 class="mt-5 mb-2">What decides</h2>
			<p>
				Fix, satellites and HDOP together, held without a break. The limits are this aircraft's own and can be changed
				on its page.
			</p>
			<p class="text-ink-2">
				Some set six satellites, most want eight; flying without a lock means that return home will not work.
			</p>
		{/if}
	{/snippet}
	<PositionBody
		state={work}
		place={site}
		date={localDay(Date.now())}
		others={[{ value: 'screen', label: 'Its own screen', body: screen }]}
		first={showsData(aircraft) ? undefined : 'screen'}
		onaccept={accept}
	/>
</Sheet>
