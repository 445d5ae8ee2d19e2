<script lang="ts">
	import type { SuperValidated } from 'sveltekit-superforms';
	import type { MetersForm } from '$core/document';
	import FormErrors from '$lib/ui/FormErrors.svelte';
	import { keptForm } from '$lib/ui/kept-form';

	let { data }: { data: SuperValidated<MetersForm> } = $props();
	/** Of the last answer: what others store meanwhile loads the page anew and must not wipe it. */
	let stored = $state(false);
	// svelte-ignore state_referenced_locally
	const { form, errors, enhance, message } = keptForm(data, {
		id: 'meters',
		onUpdated: ({ form: answered }) => {
			if (answered.posted) stored = answered.valid;
		}
	});

	const refused = $derived(Object.values($errors).some(Boolean));
	const METERS = [
		{ meter: 'volts', words: 'Volts', unit: 'V' },
		{ meter: 'amps', words: 'Clamp', unit: 'A' }
	] as const;
	const ACCURACY = [
		{ part: 'Pct', words: '% of reading' },
		{ part: 'Counts', words: 'counts' },
		{ part: 'Resolution', words: 'one count' }
	] as const;
</script>

<form method="POST" action="?/meters" use:enhance oninput={() => (stored = false)}>
	<input type="hidden" name="seen" value={$form.seen} />
	<h2>Meters</h2>
	<p class="soft">
		Limits of error from the data sheet: ± (percent of reading + counts). These are usual ones.
	</p>
	<table>
		<thead>
			<tr>
				<th><span class="sr-only">Meter</span></th>
				{#each ACCURACY as { words } (words)}<th>{words}</th>{/each}
			</tr>
		</thead>
		<tbody>
			{#each METERS as { meter, words, unit } (meter)}
				<tr>
					<th scope="row">{words}</th>
					{#each ACCURACY as column (column.part)}
						{@const name = `${meter}${column.part}` as const}
						<td>
							<input
								{name}
								aria-label="{words}, {column.words}"
								inputmode="decimal"
								class="figure"
								bind:value={$form[name]}
								aria-invalid={Boolean($errors[name])}
							/>
							{column.part === 'Resolution' ? unit : ''}
						</td>
					{/each}
				</tr>
			{/each}
		</tbody>
	</table>
	<p class="soft">
		What the test equipment may be put on: the lowest rating among meter, leads and probes. A
		reading where more can be present is refused.
	</p>
	<table>
		<thead>
			<tr>
				<th><span class="sr-only">Meter</span></th>
				<th>DC rating</th>
				<th>CAT</th>
			</tr>
		</thead>
		<tbody>
			{#each METERS as { meter, words } (meter)}
				<tr>
					<th scope="row">{words}</th>
					<td>
						<input
							name="{meter}Rating"
							aria-label="{words}, DC rating"
							inputmode="decimal"
							class="figure"
							bind:value={$form[`${meter}Rating`]}
							aria-invalid={Boolean($errors[`${meter}Rating`])}
						/> V
					</td>
					<td>
						<select
							class="bare"
							name="{meter}Category"
							aria-label="{words}, category"
							bind:value={$form[`${meter}Category`]}
						>
							<option value="">?</option>
							<option value="2">II</option>
							<option value="3">III</option>
							<option value="4">IV</option>
						</select>
					</td>
				</tr>
			{/each}
		</tbody>
	</table>
	{#each METERS as { meter, words } (meter)}
		{#each ACCURACY as column (column.part)}
			{#each $errors[`${meter}${column.part}`] ?? [] as wrong (wrong)}
				<p class="error">{words}, {column.words}: {wrong}</p>
			{/each}
		{/each}
	{/each}
	{#each METERS as { meter, words } (meter)}
		{#each $errors[`${meter}Rating`] ?? [] as wrong (wrong)}
			<p class="error">{words}, DC rating: {wrong}</p>
		{/each}
	{/each}
	<FormErrors words={$message} />
	<p class="done">
		<button class="act-plain">Store the meters</button>
		{#if stored && !refused}<span role="status">Stored.</span>{/if}
	</p>
</form>

<style>
	h2 {
		font-size: 1.2rem;
		margin-bottom: 0.3rem;
	}

	table {
		width: 100%;
		margin: 0.6rem 0;
	}

	th {
		text-align: start;
		font-weight: 600;
		padding: 0.15rem 0.5rem 0.15rem 0;
	}

	td input {
		width: 5.2rem;
		min-height: 44px;
		padding: 0.2rem 0.5rem;
		text-align: end;
		background: var(--sheet);
		border: var(--stroke) solid var(--rule);
		border-radius: 3px;
	}

	td input[aria-invalid='true'] {
		border-color: var(--off);
	}

	.error {
		color: var(--off);
		font-weight: 600;
	}

	.done {
		display: flex;
		align-items: center;
		gap: 1rem;
	}

	@media (max-width: 760px) {
		td input {
			width: 4rem;
		}
	}
</style>
