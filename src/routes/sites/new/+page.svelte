<script lang="ts">
	import Field from '$lib/ui/Field.svelte';
	import FormErrors from '$lib/ui/FormErrors.svelte';
	import { keptForm } from '$lib/ui/kept-form';
	import { onMount } from 'svelte';

	let { data } = $props();
	// svelte-ignore state_referenced_locally
	const { form, errors, enhance, submitting, message } = keptForm(data.form);
	const zones = Intl.supportedValuesOf('timeZone');

	onMount(() => {
		if ($form.timeZone === 'Etc/UTC') {
			$form.timeZone = Intl.DateTimeFormat().resolvedOptions().timeZone || 'Etc/UTC';
		}
	});
</script>

<svelte:head><title>New site · Zembo</title></svelte:head>

<div class="page">
	<h1>New site</h1>
	<p class="soft">The place first; a look at its modules comes next.</p>
	<form method="POST" use:enhance class="panel">
		<Field
			label="Name"
			name="name"
			autofocus
			bind:value={$form.name}
			errors={$errors.name}
			help="As people call it: Saltmarsh Ferry Terminal"
		/>
		<Field
			label="Where"
			name="place"
			bind:value={$form.place}
			errors={$errors.place}
			help="What a stranger needs to find the array; may stay empty"
		/>
		<Field
			label="In service since"
			name="inServiceSince"
			bind:value={$form.inServiceSince}
			errors={$errors.inServiceSince}
			figures
			unit="year"
			help="For ageing; leave empty if unknown"
		/>
		<Field
			label="Time zone"
			name="timeZone"
			bind:value={$form.timeZone}
			errors={$errors.timeZone}
			list="zones"
			help="Of the site, not of the office"
		/>
		<datalist id="zones"
			>{#each zones as zone (zone)}<option value={zone}></option>{/each}</datalist
		>
		<FormErrors words={$message} />
		<p><button class="act" disabled={$submitting}>Make the site</button></p>
	</form>
</div>

<style>
	h1 {
		font-size: 2rem;
	}

	form {
		display: grid;
		gap: 1.1rem;
		margin-top: 1.25rem;
		padding: 1.5rem;
		max-width: 34rem;
	}
</style>
