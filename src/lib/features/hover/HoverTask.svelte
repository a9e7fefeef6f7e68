<script lang="ts">
	import { goto } from '$app/navigation';
	import { FELT_AT_M } from '$lib/core/hover/feltWind';
	import { lengthOf, showsData } from '$lib/core/aircraft/capabilities';
	import { wayTaken } from '$lib/features/measuring/waysOf';
	import Sheet from '$lib/features/running/Sheet.svelte';
	import { getSessionView } from '$lib/features/running/sessionView.svelte';
	import type { HoverAnswer } from '$lib/schema/hover';
	import type { TestPayload } from '$lib/schema/entries';
	import Caution from '$lib/ui/Caution.svelte';
	import Choice from '$lib/ui/Choice.svelte';
	import Reasons from '$lib/ui/Reasons.svelte';
	import { done, failed } from '$lib/ui/notify';
	import { keepDraft } from '$lib/ui/draft.svelte';
	import { preferences } from '$lib/ui/preferences.svelte';
	import FilmBody from '$lib/features/film/FilmBody.svelte';
	import FilmWhy from '$lib/features/film/FilmWhy.svelte';
	import { FilmState } from '$lib/features/film/filmState.svelte';
	import HoverBody from './HoverBody.svelte';
	import HoverWhy from './HoverWhy.svelte';
	import SeenBody from './SeenBody.svelte';
	import { hoverFigures } from './figures';
	import { HoverState } from './hoverState.svelte';
	import { SeenState } from './seenState.svelte';

	/** The test hover of a session, from a log or by eye: one entry. */
	const view = getSessionView();
	const { aircraft, session } = view.bundle;
	const work = new HoverState(() => {
		const wind = view.wind;
		return wind ? { fromDeg: wind.fromDeg, speedMps: wind.speedMps, gustMps: wind.gustMps } : undefined;
	});
	/** The compass has evidence of its own: its fit, a bearing or a straight leg that passed. */
	const compassChecked = $derived(
		view.compassInForce?.verdict === 'pass' ||
			['compass', 'heading-check', 'straight-leg'].some((task) => {
				const payload = view.state.record.speaking(task)?.payload;
				return payload?.kind === 'test' && payload.verdict === 'pass';
			}),
	);
	const seen = new SeenState(() => ({
		lengthM: lengthOf(aircraft),
		stepM: preferences.stepM,
		compassChecked,
		wind: view.wind ? { speedMps: view.wind.speedMps, fromDeg: view.wind.fromDeg, heightM: FELT_AT_M } : undefined,
	}));
	seen.person = session.pilot;
	if (!aircraft.hasPosition) seen.hold = 'attitude';
	const half = keepDraft(
		`seen hover ${view.half}`,
		() => seen.draft,
		(kept) => seen.takeUp(kept),
	);
	const DOORS = ['log', 'eye', 'film'] as const;
	const taken = wayTaken();
	const what = `hover judged${view.rehearsal ? ' practice' : ''}`;
	/** What is under way comes first, then what was chosen last. */
	let door = $state(
		seen.draft
			? 'eye'
			: (DOORS.find((each) => each === taken.last(what)) ?? (showsData(aircraft) || view.rehearsal ? 'log' : 'eye')),
	);
	const film = new FilmState();
	film.hold = aircraft.hasPosition ? 'position' : 'attitude';
	film.spanM = Math.round(1000 * lengthOf(aircraft) * (aircraft.rotors === 4 ? Math.SQRT1_2 : 1)) / 1000;
	$effect(() => () => {
		work.dispose();
		seen.dispose();
		film.dispose();
	});
	const untouched = $derived(!work.busy && work.idle && seen.step === 'before' && film.step === 'before');
	const title = $derived(door === 'log' ? work.title : door === 'film' ? film.title : seen.title);

	const finding = $derived(
		door === 'log' ? work.answer : door === 'film' ? film.review : seen.step === 'found' ? seen.answer : null,
	);
	/** The sign that such a hover is, where there is one. */
	const sign = $derived.by(() => {
		const codes = (door === 'log' ? work.answer : seen.answer)?.reasons.map(({ code }) => code) ?? [];
		if (work.answer?.spiral.present || film.review?.spiral.present || codes.includes('circling-seen')) return 'circles';
		return codes.includes('no-position-hold') ? 'drifts-wind' : undefined;
	});

	async function record(payload: Omit<TestPayload, 'kind' | 'task'>) {
		try {
			await view.record('hover', { kind: 'test', task: 'hover', ...payload });
			half.forget();
			done('Recorded');
			await goto(view.href('hover'));
		} catch (error) {
			failed(error);
		}
	}
	const acceptLog = (answer: HoverAnswer) =>
		record({
			grade: view.grade('measured', work.practice),
			sourceName: work.sourceName,
			...(answer.durationS === null ? {} : { flownS: answer.durationS }),
			headline: work.title,
			figures: hoverFigures(answer),
			verdict: answer.verdict,
			reasons: answer.reasons,
		});
	const acceptFilm = () =>
		film.review &&
		record({
			grade: view.grade('measured', film.practice),
			sourceName: `a film: ${film.sourceName}`.slice(0, 200),
			flownS: film.review.durationS,
			headline: film.title,
			figures: film.figures,
			verdict: film.review.verdict,
			reasons: film.review.reasons,
		});
	const acceptSeen = () =>
		seen.answer &&
		record({
			grade: view.grade('seen'),
			sourceName: seen.views.length === 1 ? 'a hover watched by eye' : `${seen.views.length} hovers watched by eye`,
			flownS: seen.flownS,
			headline: seen.title,
			figures: seen.figures,
			verdict: seen.answer.verdict,
			reasons: seen.answer.reasons,
		});
</script>

<Sheet
	{title}
	lead="Test hover of {aircraft.name}{view.wind ? '' : ' · the wind has not been entered'}"
	name="Hover"
	{finding}
>
	{#snippet margin()}
		{#if door === 'log'}<HoverWhy answer={work.answer} />{:else if door === 'film'}
			<FilmWhy />
		{:else}
			<Caution
				>Outdoors, stand clear, nose away, way out planned. At the first strange sign: self-level, land, disarm,
				disconnect.</Caution
			>
			{#if seen.step === 'found' && seen.answer}
				<h2 class="mt-5 mb-2">Why</h2>
				<Reasons reasons={seen.answer.reasons} />
			{:else}
				<h2 class="mt-5 mb-2">What eyes tell</h2>
				<p>
					A hover watched for a minute excludes compass errors above about 50°; 20 to 40° look the same as none. It
					passes only where the compass has evidence of its own.
				</p>
				<p class="text-ink-2">A weak fix circles too: read the satellites before the compass is blamed.</p>
			{/if}
		{/if}
	{/snippet}
	{#if finding?.verdict === 'fail'}
		<p class="mt-2 mb-0">
			<a href={view.finderHref(sign)}>What could it be?</a> Causes, and the cheapest safe check next.
		</p>
	{/if}
	{#if untouched}
		<div class="mt-4">
			<Choice
				label="How it is judged"
				value={door}
				options={[
					{ value: 'eye', label: 'By eye', note: 'watched, by taps' },
					{ value: 'film', label: 'By a film', note: 'a phone on a stand' },
					{ value: 'log', label: 'By its log or track', note: 'a file' },
				]}
				onchange={(next) => {
					door = next;
					taken.take(what, next);
				}}
			/>
		</div>
	{/if}
	{#if door === 'log'}
		<HoverBody state={work} onaccept={(answer) => void acceptLog(answer)} />
	{:else if door === 'film'}
		<FilmBody state={film} onaccept={() => void acceptFilm()} />
	{:else}
		<SeenBody state={seen} onaccept={() => void acceptSeen()} />
	{/if}
</Sheet>
