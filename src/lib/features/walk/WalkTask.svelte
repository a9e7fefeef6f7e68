<script lang="ts">
	import { figure } from '$lib/core/figures/figure';
	import { goto } from '$app/navigation';
	import { page } from '$app/state';
	import { figureOf, GOOD, isWalk, judgeWalk, walkOf } from '$lib/core/session/walks';
	import type { WalkId } from '$lib/core/session/taskPage';
	import { rotorsOf, type RotorState } from '$lib/features/motors/rotorsOf';
	import SessionPhotos from '$lib/features/photos/SessionPhotos.svelte';
	import Sheet from '$lib/features/running/Sheet.svelte';
	import { getSessionView } from '$lib/features/running/sessionView.svelte';
	import { inField } from '$lib/features/shell/keys';
	import Button from '$lib/ui/Button.svelte';
	import Caution from '$lib/ui/Caution.svelte';
	import Reasons from '$lib/ui/Reasons.svelte';
	import RotorDrawing from '$lib/ui/RotorDrawing.svelte';
	import { keepDraft } from '$lib/ui/draft.svelte';
	import { done, failed } from '$lib/ui/notify';
	import { preferences } from '$lib/ui/preferences.svelte';
	import { say } from '$lib/ui/speech';
	import { z } from 'zod';
	import WalkBefore from './WalkBefore.svelte';

	/** From thing to thing, each looked at and answered by itself: what is wrong says its remedy, and the whole is kept. */
	const view = getSessionView();
	const id = $derived<WalkId>(isWalk(page.params.task) ? page.params.task : 'straps');
	const { aircraft } = $derived(view.bundle);
	const walk = $derived(walkOf(id, aircraft));
	let answers = $state<Record<string, string>>({});
	let at = $state(0);
	/** The step whose wrong things are asked for. */
	let differs = $state(false);
	const kept = z.object({ answers: z.record(z.string(), z.string()), at: z.int().min(0) });
	// svelte-ignore state_referenced_locally
	const half = keepDraft(
		`${id} ${view.half}`,
		() => (at > 0 ? { answers: $state.snapshot(answers), at } : null),
		(found) => {
			const read = kept.safeParse(found);
			if (read.success) ({ answers, at } = read.data);
		},
	);
	const step = $derived(walk.steps[at] ?? null);
	const finding = $derived(step || walk.steps.length === 0 ? null : judgeWalk(walk, answers));
	const title = $derived(finding ? finding.headline : (step?.say ?? walk.title));
	const stateOf = (name: string): RotorState => {
		const own = walk.steps.find(({ motor }) => motor === name);
		if (own && own === step) return 'asked';
		const answer = own && answers[own.id];
		return answer === undefined ? 'plain' : answer === GOOD ? 'done' : 'wrong';
	};
	const drawn = $derived(id === 'propellers' ? rotorsOf(aircraft, stateOf) : []);
	$effect(() => {
		if (preferences.readAloud && step) say(step.say);
	});

	function tell(answer: string | null) {
		if (!step) return;
		if (answer === null) delete answers[step.id];
		else answers[step.id] = answer;
		differs = false;
		at += 1;
	}
	function back() {
		differs = false;
		at = Math.max(0, at - 1);
	}
	async function keep() {
		if (!finding) return;
		const { headline, verdict, reasons } = finding;
		try {
			await view.record(walk.station, {
				kind: 'test',
				task: id,
				grade: view.grade('seen'),
				headline,
				verdict,
				reasons,
				sourceName: walk.title.toLowerCase(),
				figures: walk.steps.flatMap((one) => {
					const answer = answers[one.id];
					const value = answer === GOOD ? 1 : 0;
					return answer === undefined ? [] : [figure('inspected', value, { part: one.id, name: figureOf(one) })];
				}),
			});
			half.forget();
			done('Recorded');
			await goto(view.href(walk.station));
		} catch (error) {
			failed(error);
		}
	}
	function onkeydown(event: KeyboardEvent) {
		if (event.repeat || event.ctrlKey || event.metaKey || event.altKey || inField(event)) return;
		if (event.target instanceof HTMLElement && event.target.closest('button, a')) return;
		if (event.key === 'Enter' && finding) void keep();
		else if (event.key === 'Enter' && step && !differs) tell(GOOD);
		else if (event.key === 'n' && step) differs = !differs;
		else if (event.key === 'ArrowUp' && at > 0) back();
		else return;
		event.preventDefault();
	}
</script>

<svelte:window {onkeydown} />

<Sheet
	{title}
	lead="{walk.title} of {aircraft.name}{step ? ` · ${at + 1} of ${walk.steps.length}` : ''}"
	name={walk.title}
	{finding}
>
	{#snippet margin()}
		<h2 class="mt-5 mb-1">Why one by one</h2>
		<p class="mt-0">{walk.why}</p>
		<WalkBefore {aircraft} {walk} />
	{/snippet}
	<div class="mt-4 max-w-read"><Caution>{walk.caution}</Caution></div>
	<div class="mt-4 grid items-start gap-6 {drawn.length > 0 ? 'md:grid-cols-[320px_minmax(0,1fr)]' : ''}">
		{#if drawn.length > 0}
			<RotorDrawing rotors={drawn} label="Propellers from above, nose up: the way each turns" />
		{/if}
		<div class="grid max-w-2xl gap-3">
			{#if finding}
				<Reasons reasons={finding.reasons} />
				<div class="flex flex-wrap gap-3">
					<Button kind="primary" kbd="↵" onclick={() => void keep()}>Record it</Button>
					<Button class="min-h-14" onclick={() => ([answers, at] = [{}, 0])}>All again</Button>
					<Button kind="quiet" class="min-h-14" onclick={back}>One back</Button>
				</div>
			{:else if step}
				<p class="m-0 text-step">{step.how}</p>
				{#if differs}
					<p class="m-0 font-semibold">What is wrong?</p>
					{#each step.wrong as one (one.id)}
						<Button class="min-h-14 justify-start! border-hold! text-left text-hold!" onclick={() => tell(one.id)}
							>{one.label}</Button
						>
					{/each}
					<Button class="min-h-14" onclick={() => (differs = false)}>Nothing: it is as it should be</Button>
				{:else}
					<Button kind="primary" class="min-h-20" kbd="↵" onclick={() => tell(GOOD)}>{step.good}</Button>
					<div class="flex flex-wrap gap-3">
						<Button class="min-h-14" kbd="n" onclick={() => (differs = true)}>Something is wrong</Button>
						<Button kind="quiet" class="min-h-14" onclick={() => tell(null)}>Not looked at</Button>
						{#if at > 0}<Button kind="quiet" class="min-h-14" onclick={back}>One back</Button>{/if}
					</div>
				{/if}
			{:else}
				<p class="m-0">Say in the aircraft which sides its obstacle sensors cover; then each of them is tried here.</p>
				<div><Button kind="primary" href="/aircraft/{aircraft.id}#has">Open the aircraft</Button></div>
			{/if}
			{#if walk.photos}<SessionPhotos station={walk.station} task={walk.item} />{/if}
		</div>
	</div>
</Sheet>
