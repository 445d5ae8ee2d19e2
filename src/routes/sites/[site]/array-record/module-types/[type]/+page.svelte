<script lang="ts">
	import { resolve } from '$app/paths';
	import { formOfModuleType } from '$core/document';
	import Choice from '$lib/ui/Choice.svelte';
	import FormErrors from '$lib/ui/FormErrors.svelte';
	import { keptForm } from '$lib/ui/kept-form';
	import NameplateView from '$lib/ui/NameplateView.svelte';

	let { data } = $props();
	// svelte-ignore state_referenced_locally
	const { form, errors, enhance, submitting, message } = keptForm(data.form);
	let fromLibrary = $state('');

	function takeOver(): void {
		const entry = data.library.find(({ id }) => id === fromLibrary);
		if (entry?.kind === 'module') $form = formOfModuleType(entry);
	}
</script>

<svelte:head><title>Label · {data.site.name} · Zembo</title></svelte:head>

<div class="page">
	<p>
		<a href={resolve('/sites/[site]/array-record', { site: data.site.id })}>Array record</a>
	</p>
	<h1>The module’s label</h1>
	<p class="soft lead">
		Values at standard test conditions. The label is checked against itself as you type: what cannot
		be blocks, what is odd is said beside the field.
		{#if data.used > 0}{data.used} strings use this type; earlier visits keep the label they were made
			with.{/if}
	</p>
	<div class="library">
		<Choice
			label="Take it from the library"
			name="library"
			bind:value={fromLibrary}
			onchange={takeOver}
			options={[
				{ value: '', words: 'Choose a type, or read the label' },
				...data.library.map(({ id, name }) => ({ value: id, words: name }))
			]}
		/>
	</div>

	<form method="POST" use:enhance>
		<input type="hidden" name="revision" value={data.revision.id} />
		<NameplateView {form} errors={$errors} />
		<FormErrors words={$message} />
		<p><button class="act" disabled={$submitting}>Store the label</button></p>
	</form>
</div>

<style>
	h1 {
		font-size: 1.8rem;
	}

	.lead {
		max-width: 72ch;
	}

	.library {
		max-width: 26rem;
		margin: 0.8rem 0;
	}

	form {
		display: grid;
		gap: 1rem;
	}
</style>
