<script lang="ts">
	import {
		type ArrayConfiguration,
		type Candidate,
		type ConfigurationModule,
		type ConfigurationPlace,
		joined,
		modulesOf,
		shortedModule,
		substitutesFor,
		withPart
	} from '$core/bench';
	import { FUSE_DOES, placeFor, type ConfigurationQuery } from './configuration-query';
	import ModuleSelect from './ModuleSelect.svelte';
	import type { Pooled } from './pool';

	interface Props {
		/** The mix as it is under the hand, and at rest. */
		mix: ArrayConfiguration;
		asked: ConfigurationQuery;
		part: ConfigurationModule;
		place: ConfigurationPlace;
		pool: readonly Pooled[];
		/** New modules, as the library has them. */
		library: readonly Candidate[];
		become: (mix: ArrayConfiguration | null) => void;
		/** Light on the module, share; `settled` once the hand lets go. */
		onlight: (irradiance: number, settled: boolean) => void;
	}
	let { mix, asked, part, place, pool, library, become, onlight }: Props = $props();

	const SHOWN = 6;
	let other = $state('');
	const pooled = $derived(pool.find(({ module }) => module.id === part.of)!);
	const rested = $derived(modulesOf(asked.mix).find(({ id }) => id === part.id) ?? null);
	const shorted = $derived(
		rested ? shortedModule(asked.mix, asked.parts, rested.id, asked.fuse) : null
	);
	const substitutes = $derived.by(() => {
		if (!rested) return [];
		const taken = new Set(modulesOf(asked.mix).map(({ of }) => of));
		const { fresh: was, size, connector } = pooled;
		const vacancy = { mix: asked.mix, place: rested.id, was, size, connector, fuse: asked.fuse };
		const free = pool.filter(({ module }) => !taken.has(module.id));
		return substitutesFor(vacancy, [...free, ...library], asked.parts).slice(0, SHOWN);
	});
	const put = (kind: 'series' | 'parallel') =>
		become(joined(mix, part.id, kind, placeFor(other), 'joined'));
	const lossWords = (cost: number) =>
		cost > 0.5
			? `${cost.toFixed(0)} W less`
			: cost < -0.5
				? `${(-cost).toFixed(0)} W more`
				: 'no loss';
</script>

<section class="panel" aria-label="Module {pooled.module.mark}">
	<h2>Module {pooled.module.mark}</h2>
	<p>
		<span class="figure">{place.voltage.toFixed(1)} V, {place.current.toFixed(2)} A</span>:
		<span class="figure">{place.power.toFixed(0)}</span> of
		<span class="figure">{place.alone.toFixed(0)} W</span> that it gives alone.
	</p>
	<label class="slider">
		<span>Sun on it, {Math.round(100 * part.irradiance)} %</span>
		<input
			type="range"
			min="0"
			max="100"
			step="5"
			name="light"
			value={Math.round(100 * part.irradiance)}
			oninput={(event) => onlight(Number(event.currentTarget.value) / 100, false)}
			onchange={(event) => onlight(Number(event.currentTarget.value) / 100, true)}
		/>
	</label>
	<div class="acts">
		<ModuleSelect {pool} name="other" words="Another module" bind:value={other} />
		<button
			type="button"
			class="act-plain"
			disabled={other === ''}
			onclick={() =>
				become(
					withPart(mix, part.id, (old) => (old.kind === 'module' ? { ...old, of: other } : old))
				)}>In its place</button
		>
		<button type="button" class="act-plain" disabled={other === ''} onclick={() => put('series')}
			>In series with it</button
		>
		<button type="button" class="act-plain" disabled={other === ''} onclick={() => put('parallel')}
			>In parallel with it</button
		>
		<button
			type="button"
			class="act-plain"
			onclick={() => become(withPart(mix, part.id, () => null))}>Take it out</button
		>
	</div>
	{#if shorted}
		<p data-bridged>
			If it is shorted, the mix gives <span class="figure">{shorted.power.toFixed(0)} W</span
			>{#if shorted.fed > 0.05}; with nothing drawn the others feed
				<span class="figure">{shorted.fed.toFixed(1)} A</span> into its string{#if shorted.fuse}. A
					fuse of {asked.fuse} A: {FUSE_DOES[shorted.fuse]}{/if}{/if}.
		</p>
	{/if}
	{#if substitutes.length > 0}
		<h3>If it is dead: what could stand here</h3>
		<ol class="lines">
			{#each substitutes as { candidate, power, cost, points, fits } (candidate.module.id)}
				<li>
					<strong>
						{candidate.module.mark === ''
							? `new, ${candidate.module.model}`
							: `module ${candidate.module.mark}`}
					</strong>
					<span>{fits ? 'fits' : 'does not fit'}</span>
					<span class="figure">{power.toFixed(0)} W</span>
					<span class="figure soft">{lossWords(cost)}</span>
					<small class="soft">{points.map(({ words }) => words).join('; ')}.</small>
				</li>
			{/each}
		</ol>
	{/if}
</section>

<style>
	section {
		padding: 0.8rem 1rem;
		display: grid;
		gap: 0.5rem;
	}

	.slider {
		display: grid;
		gap: 0.2rem;
	}

	.slider input {
		width: 100%;
		min-height: 44px;
		accent-color: var(--accent);
	}

	.acts,
	li {
		display: flex;
		flex-wrap: wrap;
		gap: 0.3rem 1rem;
		align-items: center;
	}

	small {
		flex-basis: 100%;
	}
</style>
