<script lang="ts">
	import type { Attachment } from 'svelte/attachments';
	import type { HTMLInputAttributes, HTMLTextareaAttributes } from 'svelte/elements';

	/** Text with its label; several lines where `rows` is given. Other attributes go to the field itself. */
	type Props = Omit<HTMLInputAttributes, 'value'> &
		Pick<HTMLTextareaAttributes, 'rows'> & {
			label: string;
			/** The label is for screen readers only: what stands around it says it. */
			quiet?: boolean;
			value?: string | null | undefined;
			/** Below the field: what it is for, or what is wrong with it. */
			note?: string;
			wrong?: boolean;
			/** Called with the field when it is there. */
			attach?: Attachment<HTMLElement> | undefined;
		};
	let {
		label,
		quiet = false,
		value = $bindable(),
		note = '',
		wrong = false,
		rows,
		attach,
		class: own = '',
		...rest
	}: Props = $props();
	const id = $props.id();
	const attributes = $derived({
		id,
		class: `field-input ${own}`,
		'aria-invalid': wrong || undefined,
		'aria-describedby': note ? `${id}-note` : undefined,
	});
</script>

<div class="grid content-start gap-1">
	<label for={id} class={quiet ? 'sr-only' : 'text-small text-ink-2'}>{label}</label>
	{#if rows}
		<textarea {...attributes} {...rest as HTMLTextareaAttributes} {rows} bind:value {@attach attach}></textarea>
	{:else}
		<input type="text" {...attributes} {...rest} bind:value {@attach attach} />
	{/if}
	{#if note}<p id="{id}-note" class="m-0 text-note {wrong ? 'font-semibold text-hold' : 'text-ink-2'}">{note}</p>{/if}
</div>
