<script lang="ts">
	import type { TaskState } from '$lib/core/session/task';
	import Button from '$lib/ui/Button.svelte';
	import { getSessionView } from './sessionView.svelte';

	/** Several tasks with one and the same reason, which is told once; each is opened, and set aside, by itself. */
	type Props = {
		tasks: readonly TaskState[];
		title: string;
		detail: string;
		settles: (task: TaskState) => boolean;
		onaside: (task: TaskState) => void;
	};
	let { tasks, title, detail, settles, onaside }: Props = $props();
	const view = getSessionView();
</script>

<div class="min-w-0 flex-1 basis-60">
	<span class="block text-lead font-semibold">{tasks.length} {title}</span>
	<span class="block text-ink-2">{detail}</span>
	<ul class="m-0 mt-1 list-none p-0">
		{#each tasks as task (task.task)}
			<li class="flex items-center justify-between gap-x-4">
				<a class="inline-block py-2" href={view.taskHref(task)}>{task.title}</a>
				{#if settles(task)}
					<Button kind="quiet" class="shrink-0" onclick={() => onaside(task)}>Set aside</Button>
				{/if}
			</li>
		{/each}
	</ul>
</div>
