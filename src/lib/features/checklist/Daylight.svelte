<script lang="ts">
	import { daylightAt } from '$lib/core/earth/sun';
	import type { Site } from '$lib/schema/records';
	import { showTime } from '$lib/ui/format';

	/** When the sun sets at a place today, by this device's clock, and how long that is. */
	let { site }: { site: Pick<Site, 'latDeg' | 'lonDeg' | 'name'> } = $props();
	const now = new Date().toISOString();
	const sun = $derived(daylightAt(site.latDeg, site.lonDeg, now));
	const left = $derived.by(() => {
		const minutes = Math.round(Math.abs(sun.leftMin ?? 0));
		return `${Math.floor(minutes / 60)} h ${minutes % 60} min`;
	});
</script>

<p class="mt-0 mb-4 text-step leading-snug">
	{#if sun.all}
		The sun {sun.all === 'day' ? 'does not set' : 'does not rise'} at {site.name} today.
	{:else if sun.sunrise && sun.sunset && sun.sunrise > now}
		The sun rises at <b>{showTime(sun.sunrise)}</b> and sets at <b>{showTime(sun.sunset)}</b>.
	{:else if sun.sunset && sun.leftMin !== null && sun.leftMin > 0}
		The sun sets at <b>{showTime(sun.sunset)}</b>: {left} from now.
	{:else if sun.sunset}
		The sun set at <b>{showTime(sun.sunset)}</b>, {left} ago.
	{/if}
</p>
