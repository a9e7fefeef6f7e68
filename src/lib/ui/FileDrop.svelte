<script lang="ts">
	import FileUp from '@lucide/svelte/icons/file-up';

	type Props = { accept: string; onfile: (file: File) => void; label?: string; hint?: string | undefined };
	let { accept, onfile, label = 'Choose a file, or drop it here', hint }: Props = $props();
	let over = $state(false);

	function take(files: FileList | null | undefined) {
		const file = files?.[0];
		if (file) onfile(file);
	}
</script>

<label
	class="flex min-h-24 cursor-pointer items-center justify-center gap-3 rounded border-2 border-dashed px-gutter py-5 text-center font-semibold text-action {over
		? 'border-action bg-action-soft'
		: 'border-rule hover:bg-action-soft'} has-[:focus-visible]:outline-3 has-[:focus-visible]:outline-action"
	ondragover={(event) => {
		event.preventDefault();
		over = true;
	}}
	ondragleave={() => (over = false)}
	ondrop={(event) => {
		event.preventDefault();
		over = false;
		take(event.dataTransfer?.files);
	}}
>
	<FileUp size={22} aria-hidden="true" />
	{label}
	<input
		type="file"
		class="sr-only"
		{accept}
		onchange={(event) => {
			take(event.currentTarget.files);
			event.currentTarget.value = '';
		}}
	/>
</label>
{#if hint}<p class="mt-3 mb-0 text-small text-ink-2">{hint}</p>{/if}
