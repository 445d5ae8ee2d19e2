<script lang="ts">
	import { settingsOf, stateWords, type SwitchingState } from '$core/visit';
	import type { StringRecord } from '$core/record';

	interface Props {
		/** The string that is read; null where the place is none of a string. */
		string: StringRecord | null;
		state: SwitchingState;
		usual: SwitchingState;
		onchange: (state: SwitchingState) => void;
	}
	let { string, state, usual, onchange }: Props = $props();

	const settings = $derived(settingsOf(string, state));
	const optimisers = $derived(
		string !== null &&
			string.devices !== null &&
			string.devices !== 'unknown' &&
			string.devices.kind === 'optimiser'
	);
	const OPTIMISER_WORDS: Readonly<Record<string, string>> = {
		fed: 'producing',
		off: 'standby'
	};
	/** Only what the record leaves open is asked. */
	const choices = $derived(
		[
			{ key: 'ac', words: 'Inverter', options: ['on', 'off'] },
			{ key: 'disconnect', words: 'DC disconnect', options: ['closed', 'open'] },
			{ key: 'fuse', words: 'String fuse', options: settings.fuse },
			{ key: 'siblings', words: 'Other strings', options: ['joined', 'isolated'] },
			{
				key: 'transmitter',
				words: optimisers ? 'Optimisers' : 'Shutdown transmitter',
				options: settings.transmitter
			}
		].filter(({ options }) => options.length > 1)
	);
	const wordsOf = (key: string, value: string) =>
		key === 'transmitter' && optimisers ? (OPTIMISER_WORDS[value] ?? value) : value;
	const otherwise = $derived(JSON.stringify(state) !== JSON.stringify(usual));
</script>

<details class:otherwise>
	<summary>
		{stateWords(state)}{#if otherwise}<strong>, as you say</strong>{/if}
	</summary>
	<div>
		{#each choices as { key, words, options } (key)}
			<label
				>{words}
				<select
					class="bare"
					name="state-{key}"
					value={state[key as keyof SwitchingState]}
					onchange={(event) => onchange({ ...state, [key]: event.currentTarget.value })}
				>
					{#each options as value (value)}<option {value}>{wordsOf(key, value)}</option>{/each}
				</select>
			</label>
		{/each}
	</div>
</details>

<style>
	summary {
		display: flex;
		align-items: center;
		min-height: 44px;
		font-size: 0.92rem;
		text-decoration: underline dotted;
		text-underline-offset: 0.25em;
	}

	summary strong {
		color: var(--look);
	}

	div {
		display: grid;
		grid-template-columns: repeat(auto-fill, minmax(9rem, 1fr));
		gap: 0.5rem;
		padding-bottom: 0.5rem;
	}

	label {
		display: grid;
		font-size: 0.88rem;
	}
</style>
