<script lang="ts">
	import { resolve } from '$app/paths';
	import { ago } from '$lib/text/when';
	import { count } from '$lib/text/format';

	let { data } = $props();
	const now = Date.now();

	const TOOLS = [
		{
			path: resolve('/bench/module'),
			title: 'A module on the table',
			words: 'Which substring has failed or which connection is open, and what can be bypassed.'
		},
		{
			path: resolve('/bench/battery'),
			title: 'Controller and battery',
			words:
				'PWM and MPPT compared by power, the voltage window hot and cold, and what shade does on a battery.'
		},
		{
			path: resolve('/bench/wire'),
			title: 'Cable and fuse',
			words: 'Ampacity, voltage drop and loss of a cable, and whether strings need fuses.'
		},
		{
			path: resolve('/bench/scale'),
			title: 'Scale a measured group',
			words: 'From a measured group to an array over several planes: power, charge current, C-rate.'
		},
		{
			path: resolve('/bench/worth'),
			title: 'What it is worth',
			words: 'Price a watt as tested, against new, and by the years that are left.'
		},
		{
			path: resolve('/bench/logger'),
			title: 'Logger arithmetic',
			words: 'Shunt and divider for current and voltage, with their uncertainty.'
		}
	] as const;
</script>

<svelte:head><title>Bench · Zembo</title></svelte:head>

<div class="page">
	<h1>Bench</h1>
	<p class="soft lead">
		Before anything goes on a roof: is it any good, and what may stand beside it.
	</p>
	<div class="split">
		<section aria-labelledby="batches">
			<h2 id="batches">Batches of used modules</h2>
			{#if data.batches.length === 0}
				<p class="notice">
					No batch yet. Give it a name, test its modules one after the other beside one that is
					known to be good, and Zembo grades them and groups them into strings.
				</p>
			{/if}
			<ul class="batches">
				{#each data.batches as { id, name, modules, changedAt } (id)}
					<li>
						<a href={resolve('/bench/batches/[batch]', { batch: id })}>{name}</a>
						<span class="soft">{count(modules, 'module')}, {ago(changedAt, now)}</span>
					</li>
				{/each}
			</ul>
			<form method="post">
				<label>
					<span>A new batch</span>
					<input name="name" required maxlength="80" placeholder="Where it lies, whose it is" />
				</label>
				<button class="act">Begin</button>
			</form>
		</section>
		<section aria-labelledby="tools">
			<h2 id="tools">Questions of their own</h2>
			<ul class="tools">
				{#each TOOLS as { path, title, words } (path)}
					<li>
						<!-- eslint-disable-next-line svelte/no-navigation-without-resolve -- resolved above -->
						<a href={path}>{title}</a>
						<p class="soft">{words}</p>
					</li>
				{/each}
			</ul>
		</section>
	</div>
</div>

<style>
	h1 {
		font-size: 1.8rem;
	}

	h2 {
		font-size: 1.2rem;
		margin-bottom: 0.5rem;
	}

	.lead {
		margin-bottom: 1.2rem;
	}

	.split {
		display: grid;
		grid-template-columns: repeat(auto-fit, minmax(min(100%, 22rem), 1fr));
		gap: 1.5rem 4rem;
	}

	li {
		padding: 0.6rem 0;
		border-top: 1px solid var(--line);
	}

	.batches li {
		display: flex;
		flex-wrap: wrap;
		justify-content: space-between;
		gap: 0.2rem 1rem;
	}

	li a {
		display: inline-flex;
		align-items: center;
		min-height: 44px;
		font-size: 1.1rem;
		font-weight: 600;
	}

	.batches span {
		align-self: center;
	}

	form {
		display: flex;
		flex-wrap: wrap;
		align-items: end;
		gap: 0.6rem;
		padding-top: 1rem;
		border-top: 1px solid var(--line);
	}

	form label {
		display: grid;
		flex: 1 1 14rem;
		gap: 0.2rem;
		font-weight: 600;
	}

	input {
		min-height: 44px;
		padding: 0.3rem 0.6rem;
		border: var(--stroke) solid var(--rule);
		border-radius: 3px;
		background: var(--sheet);
	}
</style>
