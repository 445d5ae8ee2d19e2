<script lang="ts">
	import Plus from '@lucide/svelte/icons/plus';
	import { resolve } from '$app/paths';
	import { expectedKinds, PART_KIND_NAMES, PART_NAMES, type PartKind } from '$core/record';
	import type { RecordSession } from '$lib/session/record-session.svelte';
	import PartSymbol from '$lib/ui/PartSymbol.svelte';
	import { useSpeak } from '$lib/messages/speak-context';

	const speak = useSpeak();

	let { site, session }: { site: string; session: RecordSession } = $props();
	const record = $derived(session.record);
	const expected = $derived(expectedKinds(record));
	let kind = $state<PartKind>('inverter');

	const unseen = $derived(
		expected.filter(
			(candidate) =>
				!record.absent.includes(candidate) && !record.parts.some((part) => part.kind === candidate)
		)
	);
	const groups = $derived(
		PART_KIND_NAMES.map((name) => ({
			name,
			parts: record.parts.filter((part) => part.kind === name)
		})).filter(({ parts }) => parts.length > 0)
	);

	function setAbsent(name: PartKind, absent: boolean): void {
		const words = speak(PART_NAMES[name]);
		const value = absent
			? [...record.absent, name]
			: record.absent.filter((other) => other !== name);
		void session.change(`${words}: ${absent ? 'none' : 'unknown'}`, [
			{ op: 'set', fact: 'absent', value }
		]);
	}
	const newPart = (name: PartKind) =>
		`${resolve('/sites/[site]/array-record/parts/[part]', { site, part: 'new' })}?kind=${name}`;
</script>

<section>
	<h2>Other parts</h2>
	<div class="groups">
		{#each groups as { name, parts } (name)}
			<div class="group">
				<h3><PartSymbol kind={name} />{speak(PART_NAMES[name])}</h3>
				<ul>
					{#each parts as part (part.id)}
						<li>
							<a
								href={resolve('/sites/[site]/array-record/parts/[part]', { site, part: part.id })}
								class="part"
							>
								<strong>{part.mark}</strong>
								<span class="soft">{part.model ?? 'model unknown'}</span>
								<span class="soft">{part.place ?? 'place unknown'}</span>
							</a>
						</li>
					{/each}
				</ul>
			</div>
		{/each}
	</div>
	{#if unseen.length > 0}
		<h3>There or not</h3>
		<ul class="unseen">
			{#each unseen as name (name)}
				<li>
					<span><PartSymbol kind={name} />{speak(PART_NAMES[name])}</span>
					<!-- eslint-disable-next-line svelte/no-navigation-without-resolve -- resolved above -->
					<a class="act-plain" href={newPart(name)}>There</a>
					<button class="act-plain" onclick={() => setAbsent(name, true)}>None</button>
				</li>
			{/each}
		</ul>
	{/if}
	{#if record.absent.length > 0}
		<p class="absent">
			Looked for and not there:
			{#each record.absent as name (name)}
				<button onclick={() => setAbsent(name, false)}
					>{speak(PART_NAMES[name])}<span class="sr-only">, make unknown again</span> ×</button
				>
			{/each}
		</p>
	{/if}
	<form
		class="add"
		method="GET"
		action={resolve('/sites/[site]/array-record/parts/[part]', { site, part: 'new' })}
	>
		<label for="kind">Another part</label>
		<select id="kind" name="kind" bind:value={kind}>
			{#each PART_KIND_NAMES as name (name)}
				<option value={name}>{speak(PART_NAMES[name])}</option>
			{/each}
		</select>
		<button class="act-plain"><Plus size={20} aria-hidden="true" />Add</button>
	</form>
</section>

<style>
	section {
		margin-top: 1.8rem;
	}

	h2 {
		font-size: 1.25rem;
		margin-bottom: 0.4rem;
	}

	h3 {
		display: flex;
		align-items: center;
		gap: 0.5rem;
		font-size: 1rem;
	}

	.groups {
		display: grid;
		grid-template-columns: repeat(auto-fill, minmax(17rem, 1fr));
		gap: 0.9rem 1.6rem;
		border-top: var(--stroke) solid var(--rule);
		padding: 0.7rem 0;
	}

	.part {
		display: grid;
		grid-template-columns: auto 1fr;
		gap: 0 0.6rem;
		min-height: 44px;
		align-content: center;
		padding: 0.25rem 0;
		border-bottom: 1px solid var(--line);
		color: var(--ink);
		text-decoration: none;
		line-height: 1.3;
	}

	.part span:last-child {
		grid-column: 1 / -1;
		font-size: 0.9rem;
	}

	.part:hover {
		background: var(--lit);
	}

	.unseen {
		display: grid;
		grid-template-columns: repeat(auto-fill, minmax(21rem, 1fr));
		gap: 0 1.6rem;
	}

	.unseen li {
		display: flex;
		align-items: center;
		gap: 0.5rem;
		padding: 0.25rem 0;
		border-bottom: 1px solid var(--line);
	}

	.unseen span {
		display: flex;
		align-items: center;
		gap: 0.5rem;
		flex: 1;
	}

	.absent {
		display: flex;
		flex-wrap: wrap;
		align-items: center;
		gap: 0.2rem 0.7rem;
		margin-top: 0.7rem;
		color: var(--soft);
	}

	.absent button {
		min-height: 44px;
		text-decoration: underline;
	}

	.add {
		display: flex;
		flex-wrap: wrap;
		align-items: center;
		gap: 0.6rem;
		margin-top: 0.8rem;
	}

	select {
		min-height: 44px;
		padding: 0.3rem 2rem 0.3rem 0.6rem;
		background-color: var(--sheet);
		color: var(--ink);
		border: var(--stroke) solid var(--rule);
		border-radius: 3px;
	}
</style>
