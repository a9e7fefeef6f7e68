<script lang="ts">
	import Button from './Button.svelte';

	/** A button that asks for a file; the same file may be chosen again. */
	type Props = {
		label: string;
		/** What the file is, for screen readers. */
		what: string;
		accept: string;
		kind?: 'plain' | 'quiet';
		disabled?: boolean;
		onfile: (file: File) => void;
	};
	let { label, what, accept, kind = 'plain', disabled = false, onfile }: Props = $props();
	let field = $state<HTMLInputElement>();
</script>

<input
	bind:this={field}
	type="file"
	{accept}
	class="sr-only"
	tabindex="-1"
	aria-label={what}
	onchange={(e) => {
		const file = e.currentTarget.files?.[0];
		if (file) onfile(file);
		e.currentTarget.value = '';
	}}
/>
<Button {kind} {disabled} onclick={() => field?.click()}>{label}</Button>
