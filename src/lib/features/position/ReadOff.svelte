<script lang="ts">
	import { figure } from '$lib/core/figures/figure';
	import { z } from 'zod';
	import { keepDraft } from '$lib/ui/draft.svelte';
	import { judgeReadOff } from '$lib/core/position/readOff';
	import type { TestPayload } from '$lib/schema/entries';
	import type { Aircraft } from '$lib/schema/records';
	import { refusedIn } from '$lib/ui/refuse';
	import Button from '$lib/ui/Button.svelte';
	import Choice from '$lib/ui/Choice.svelte';
	import NumberField from '$lib/ui/NumberField.svelte';

	/** The lock as the aircraft's own screen shows it, where no receiver can be listened to. */
	type Props = {
		rule: Aircraft['lock'];
		/** The aircraft shows lights alone: no count of satellites. */
		lights?: boolean;
		/** Whose it is: what is half read off comes back. */
		owner: string;
		onread: (payload: Omit<TestPayload, 'grade'>) => Promise<boolean>;
	};
	let { rule, owner, lights = false, onread }: Props = $props();
	/** Whether the lock pattern of its lights was shown. */
	let pattern = $state<'' | 'yes' | 'no'>('');
	let form = $state<HTMLElement>();
	let satellites = $state<number | null>(null);
	let hdop = $state<number | null>(null);
	let stored = $state<'' | 'yes' | 'no'>('');
	let watchedS = $state(0);
	let since = $state<number | null>(null);
	const complete = $derived((lights ? pattern !== '' : satellites !== null) && stored !== '');

	$effect(() => {
		if (since === null) return;
		const from = since;
		const timer = setInterval(() => (watchedS = Math.round((performance.now() - from) / 1000)), 250);
		return () => clearInterval(timer);
	});

	const shownSchema = z.object({
		satellites: z.number().nullable(),
		hdop: z.number().nullable(),
		stored: z.enum(['', 'yes', 'no']),
		watchedS: z.number().nonnegative(),
	});
	// svelte-ignore state_referenced_locally
	const half = keepDraft(
		`read off ${owner}`,
		() => (satellites === null && hdop === null && stored === '' ? null : { satellites, hdop, stored, watchedS }),
		(kept) => {
			const { data } = shownSchema.safeParse(kept);
			if (data) ({ satellites, hdop, stored, watchedS } = data);
		},
	);

	function read() {
		if (refusedIn(form)) return;
		if (!complete) return;
		const found = judgeReadOff(
			{
				satellites: lights ? null : satellites,
				hdop: lights ? null : hdop,
				lockShown: lights ? pattern === 'yes' : null,
				homeStored: stored === 'yes',
				watchedS,
			},
			rule,
		);
		// Forgotten once it is recorded: what was typed outlives a failure to write.
		void onread({
			kind: 'test',
			task: 'position',
			sourceName: lights ? 'the aircraft’s lights' : 'the aircraft’s display or voice',
			headline: found.headline,
			figures: [
				...(lights ? [] : [figure('satellites', satellites), figure('hdop', hdop)]),
				figure('watched', watchedS),
			],
			verdict: found.verdict,
			reasons: found.reasons,
		}).then((recorded) => recorded && half.forget());
	}
</script>

<div bind:this={form}>
	<p class="mt-0 mb-3 text-small text-ink-2">
		{lights
			? `The aircraft shows lights only: its GPS lock pattern, held for ${rule.holdS} s, and home stored.`
			: `From the aircraft’s display or voice: at least ${rule.minSatellites} satellites, watched for ${rule.holdS} s, and home stored.`}
	</p>
	<div class="flex flex-wrap items-start gap-5">
		{#if lights}
			<Choice
				label="GPS lock pattern shown?"
				value={pattern}
				options={[
					{ value: 'yes', label: 'Yes, steadily' },
					{ value: 'no', label: 'No' },
				]}
				onchange={(v) => (pattern = v === 'yes' ? 'yes' : 'no')}
			/>
		{:else}
			<NumberField label="Satellites" min={0} max={100} value={satellites} onchange={(v) => (satellites = v)} />
			<NumberField label="HDOP, if shown" min={0.3} max={50} value={hdop} onchange={(v) => (hdop = v)} />
		{/if}
		<div>
			<p class="m-0 text-small text-ink-2">Watched for</p>
			<p class="figure-mono m-0 mt-1 text-head font-bold" role="timer">{watchedS} s</p>
			<Button onclick={() => (since = since === null ? performance.now() : null)}
				>{since === null ? (lights ? 'Watch the lights' : 'Watch the count') : 'Stop'}</Button
			>
		</div>
	</div>
	<div class="mt-3">
		<Choice
			label="Did it say that home is stored?"
			value={stored}
			options={[
				{ value: 'yes', label: 'Yes, here' },
				{ value: 'no', label: 'No' },
			]}
			onchange={(v) => (stored = v === 'yes' ? 'yes' : 'no')}
		/>
	</div>
	<div class="mt-4"><Button kind="primary" disabled={!complete} onclick={read}>Record what it shows</Button></div>
</div>
