<script lang="ts">
	import { untrack } from 'svelte';
	import { enhance } from '$app/forms';
	import Field from '$lib/ui/Field.svelte';
	import { count } from '$lib/text/format';

	let { data, form } = $props();
	const typed = $state(
		untrack(() => ({
			hours: form?.typed?.hours ?? String(data.schedule.hours ?? ''),
			keep: form?.typed?.keep ?? String(data.schedule.keep)
		}))
	);
	const megabytes = (bytes: number) => `${(bytes / 1e6).toFixed(1)} MB`;
	const when = (at: number) =>
		new Intl.DateTimeFormat('en-GB', {
			dateStyle: 'long',
			timeStyle: 'short',
			timeZone: 'UTC'
		}).format(new Date(at));
</script>

<svelte:head><title>Backups · Zembo</title></svelte:head>

<div class="page">
	<h1>Backups</h1>
	<p class="soft lead">
		A copy of everything in this Zembo, made while it is in use, then opened and checked. Keep some
		on another machine: copies on the same disk go with it.
	</p>
	{#if data.failed}
		<p class="notice failed" data-kind="error" role="alert">
			The scheduled backup of {when(data.failed.at)} UTC failed: {data.failed.words}
		</p>
	{/if}
	<form method="POST" action="?/now" use:enhance>
		<button class="act">Back up now</button>
	</form>
	{#if form?.problem}<p class="notice" data-kind="error" role="alert">{form.problem}</p>{/if}
	{#if form?.made}
		<p class="notice" data-kind="done" role="status">
			{form.made.name} is opened and checked: {count(form.made.holds.sites, 'site')}, {count(
				form.made.holds.visits,
				'visit'
			)}, {count(form.made.holds.readings, 'reading')}.
		</p>
	{/if}

	<section>
		<h2>Copies</h2>
		{#if data.backups.length === 0}
			<p class="soft">None yet.</p>
		{:else}
			<ul class="lines">
				{#each data.backups as { name, at, bytes } (name)}
					<li>
						<span class="figure">{name}</span>
						<span class="soft">{when(at)} UTC, {megabytes(bytes)}</span>
					</li>
				{/each}
			</ul>
		{/if}
		<p class="soft">They lie in <span class="figure">{data.folder}</span>.</p>
	</section>

	<section>
		<h2>By itself</h2>
		<form
			method="POST"
			action="?/schedule"
			class="fields"
			use:enhance={() =>
				({ update }) =>
					update({ reset: false })}
		>
			<Field
				label="Every"
				name="hours"
				unit="hours"
				figures
				bind:value={typed.hours}
				errors={form?.errors?.hours}
				help="Empty: never by itself."
			/>
			<Field
				label="Keep"
				name="keep"
				unit="copies"
				figures
				bind:value={typed.keep}
				errors={form?.errors?.keep}
			/>
			<p class="acts">
				<button class="act-plain">Store</button>
				{#if form?.stored}<span role="status">Stored.</span>{/if}
			</p>
		</form>
	</section>

	<section>
		<h2>Put a copy back</h2>
		<p>
			End the server, then on its machine: <code class="figure">npm run backup -- restore NAME</code
			>. It checks the copy, asks, and keeps what was there beside it.
		</p>
	</section>
</div>

<style>
	.failed {
		margin-bottom: 0.8rem;
	}

	h1 {
		font-size: 2rem;
	}

	h2 {
		font-size: 1.2rem;
	}

	.lead {
		max-width: 60ch;
		margin-bottom: 1rem;
	}

	.notice {
		margin-top: 1rem;
	}

	section {
		display: grid;
		gap: 0.5rem;
		margin-top: 1.8rem;
		max-width: 46rem;
	}

	.fields {
		display: grid;
		grid-template-columns: repeat(auto-fill, minmax(12rem, 1fr));
		gap: 0.8rem 1.5rem;
		align-items: start;
	}

	.acts {
		display: flex;
		align-items: center;
		gap: 1rem;
		padding-top: 1.6rem;
	}

	code {
		overflow-wrap: anywhere;
		white-space: normal;
	}
</style>
