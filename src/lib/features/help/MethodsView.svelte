<script lang="ts">
	import WideTable from '$lib/ui/WideTable.svelte';
	import { compassLimits } from '$lib/core/compass/limits';
	import { earthLimits } from '$lib/core/earth/limits';
	import { hoverLimits } from '$lib/core/hover/limits';
	import { seenLimits } from '$lib/core/hover/seenLimits';
	import { inertialLimits } from '$lib/core/inertial/limits';
	import { horizonLimits, payloadLimits } from '$lib/core/payload/limits';
	import { soundLimits } from '$lib/core/propulsion/soundLimits';
	import { powerLimits } from '$lib/core/propulsion/limits';
	import { radioLimits } from '$lib/core/radio/limits';
	import { landingLimits } from '$lib/core/return/landingLimits';
	import { returnLimits } from '$lib/core/return/limits';
	import { positionLimits } from '$lib/core/position/limits';
	import { dueLimits } from '$lib/core/due/limits';
	import Page from '$lib/features/shell/Page.svelte';

	const AREAS = [
		{
			id: 'compass',
			title: 'Compass',
			text: 'The corrected field is m = W·(raw − b), W symmetric. Nine unknowns are fitted to the distance of every reading from the ellipsoid, robustly, with the noise’s own lengthening of the field taken out. The uncertainty is that of the fit, widened where neighbouring residuals are alike, and carried into a level heading at the worst point of a full turn. A turn that leaves a second ellipsoid possible is refused.',
			limits: { ...compassLimits, ...earthLimits },
		},
		{
			id: 'position',
			title: 'Position',
			text: 'Sentences are read with their checksums and gathered into epochs of the receiver’s own clock. The lock is fix, satellites and HDOP together, held without a break. Home is the mean over the held span; the wander is given about the median.',
			limits: positionLimits,
		},
		{
			id: 'hover',
			title: 'Hover',
			text: 'The spectrum of the track is compared, clockwise against anticlockwise, with that of a hold loop whose compass is wrong by some angle. The angle with its uncertainty comes out; a healthy loop is even. A quiet hover excludes large errors only.',
			limits: { ...hoverLimits, ...seenLimits },
		},
		{
			id: 'inertial',
			title: 'Accelerometer, gyro, level, vibration, pressure',
			text: 'Still poses are found in the stream; offsets and scales by weighted least squares. Gyro by the Allan deviation. Level measured twice, turned half round, so that the surface falls out.',
			limits: inertialLimits,
		},
		{
			id: 'return',
			title: 'Way home and its settings',
			text: 'Wind by height, wind triangle, legs, energy; the reach is where the return uses exactly what is above the reserve. Settings are audited rule by rule.',
			limits: { ...returnLimits, ...landingLimits },
		},
		{
			id: 'radio',
			title: 'Sticks and switches',
			text: 'Rests, ends and sweeps of a recording; every switch position against every range.',
			limits: radioLimits,
		},
		{
			id: 'power',
			title: 'Packs and balance',
			text: 'Charge of the weakest cell, resistance of a load step, capacity over the pack’s life; mass times arm against the mark.',
			limits: powerLimits,
		},
		{
			id: 'sound',
			title: 'Motor sound',
			text: 'By how much all tones of a hover rise and fall together, by cross-correlation of its moments on a logarithmic axis: one to twelve times a second is surging.',
			limits: soundLimits,
		},
		{
			id: 'payload',
			title: 'Payload and camera',
			text: 'Collected volume against the setting; edges, textures and the line right across a picture.',
			limits: { ...payloadLimits, ...horizonLimits },
		},
		{
			id: 'due',
			title: 'What is due',
			text: 'Events, distance, height and change of the field since the last accepted calibration, judged by three schools side by side.',
			limits: dueLimits,
		},
	];
</script>

<Page
	title="How it is computed, and against which limits"
	name="Methods"
	lead="The maker's manual and the local rules stand above every default."
>
	{#each AREAS as { id, title, text, limits } (id)}
		<section {id} class="mb-8 max-w-5xl">
			<h2 class="m-0">{title}</h2>
			<p class="mt-1 max-w-read">{text}</p>
			<WideTable label="Limits: {title}">
				<table>
					<thead><tr><th scope="col">limit</th><th scope="col">why</th><th scope="col">from</th></tr></thead>
					<tbody>
						{#each Object.entries(limits) as [name, limit] (name)}
							<tr
								><td class="min-w-24"><b class="figure-mono">{limit.value}</b> {limit.unit}</td><td class="min-w-44"
									>{limit.why}</td
								><td class="min-w-36 text-ink-2">{limit.source}</td></tr
							>
						{/each}
					</tbody>
				</table>
			</WideTable>
		</section>
	{/each}
</Page>
