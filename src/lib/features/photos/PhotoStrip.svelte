<script lang="ts">
	import TextField from '$lib/ui/TextField.svelte';
	import type { Photo, StationId } from '$lib/schema/records';
	import { live } from '$lib/store/live.svelte';
	import { addPhoto, listPhotos, removePhoto } from '$lib/store/photos';
	import Button from '$lib/ui/Button.svelte';
	import Dialog from '$lib/ui/Dialog.svelte';
	import FileButton from '$lib/ui/FileButton.svelte';
	import { showDate } from '$lib/ui/format';
	import { done, failed } from '$lib/ui/notify';
	import { shrinkPicture, type SmallPicture } from '$lib/ui/shrinkPicture';

	/** Photos of a thing: those there are, and a button for one more. */
	type Props = {
		of: Photo['of'];
		/** Of a session: the task that they are about. */
		task?: string;
		/** What they are of, for the label of the button. */
		label?: string;
		readOnly?: boolean;
		/** Of a session: the stage whose entry names the photo. */
		station?: StationId;
	};
	let { of, task, label = 'Photo', readOnly = false, station }: Props = $props();

	const kept = live(
		() => listPhotos(of.id),
		() => of.id,
	);
	const photos = $derived((kept.current ?? []).filter((photo) => !task || photo.task === task));
	let taken = $state.raw<SmallPicture | null>(null);
	let caption = $state('');
	let open = $state.raw<Photo | null>(null);
	let busy = $state(false);

	const source = ({ jpeg }: Pick<Photo, 'jpeg'>) => `data:image/jpeg;base64,${jpeg}`;
	const words = ({ caption: said, at }: Photo) => said || `Photo of ${showDate(at)}`;

	async function take(file: File) {
		try {
			[taken, caption] = [await shrinkPicture(file), ''];
		} catch (error) {
			failed(error);
		}
	}
	async function keep() {
		if (!taken || busy) return;
		busy = true;
		try {
			await addPhoto({ ...taken, of, ...(task ? { task } : {}), caption: caption.trim() }, station);
			taken = null;
			done('Photo saved');
		} catch (error) {
			failed(error);
		} finally {
			busy = false;
		}
	}
	async function remove(photo: Photo) {
		try {
			await removePhoto(photo);
			open = null;
		} catch (error) {
			failed(error);
		}
	}
</script>

<div class="flex flex-wrap items-center gap-2">
	{#if !readOnly}<FileButton {label} what="A photo" accept="image/*" onfile={(file) => void take(file)} />{/if}
	{#each photos as photo (photo.id)}
		<button
			type="button"
			class="h-14 overflow-hidden rounded border border-rule"
			title={words(photo)}
			onclick={() => (open = photo)}
			><img src={source(photo)} alt={words(photo)} class="h-full w-auto object-cover" /></button
		>
	{/each}
</div>

<Dialog bind:open={() => taken !== null, (next) => !next && (taken = null)} title="What does it show?">
	{#if taken}
		<form
			class="grid gap-3"
			onsubmit={(event) => {
				event.preventDefault();
				void keep();
			}}
		>
			<img src={source(taken)} alt="" class="max-h-[46dvh] w-auto justify-self-start rounded" />
			<TextField label="In a few words, if you like" maxlength={200} bind:value={caption} />
			<p class="m-0 text-small text-ink-2">
				Made small, without the place and time that a camera writes into it. It stays on this device and in what you
				export.
			</p>
			<div class="flex gap-3">
				<Button kind="primary" type="submit" disabled={busy}>Keep it</Button>
			</div>
		</form>
	{/if}
</Dialog>

<Dialog bind:open={() => open !== null, (next) => !next && (open = null)} title={open ? words(open) : ''}>
	{#if open}
		{@const photo = open}
		<img src={source(photo)} alt={words(photo)} class="w-full rounded" />
		<p class="mt-2 mb-0 text-small text-ink-2">{showDate(photo.at)}</p>
		{#if photo.of.table !== 'sessions' && !readOnly}
			<div class="mt-3"><Button onclick={() => void remove(photo)}>Take it away</Button></div>
		{/if}
	{/if}
</Dialog>
