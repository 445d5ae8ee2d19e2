<script lang="ts">
	import { settingsOf, stateMessages, type SwitchingState } from '$core/visit';
	import type { StringRecord } from '$core/record';
	import { ui } from '$lib/messages/interface-messages';
	import { useSpeak } from '$lib/messages/speak-context';

	const speak = useSpeak();

	interface Props {
		/** The string that is read; null where the place is none of a string. */
		string: StringRecord | null;
		state: SwitchingState;
		usual: SwitchingState;
		onchange: (state: SwitchingState) => void;
	}
	let { string, state, usual, onchange }: Props = $props();

	/** The options that the record leaves, with their names. */
	const pick = <Name,>(values: readonly string[], names: Readonly<Record<string, Name>>) =>
		Object.fromEntries(values.map((value) => [value, names[value]!]));
	const settings = $derived(settingsOf(string, state));
	const optimisers = $derived(
		string !== null &&
			string.devices !== null &&
			string.devices !== 'unknown' &&
			string.devices.kind === 'optimiser'
	);
	/** Only what the record leaves open is asked. */
	const choices = $derived(
		[
			{
				key: 'ac',
				label: ui('state-picker.inverter'),
				options: { on: ui('state-option.on'), off: ui('state-option.stopped') }
			},
			{
				key: 'disconnect',
				label: ui('state-picker.disconnect'),
				options: { closed: ui('state-option.closed'), open: ui('state-option.open') }
			},
			{
				key: 'fuse',
				label: ui('state-picker.fuse'),
				options: pick(settings.fuse, {
					in: ui('state-option.in'),
					out: ui('state-option.out'),
					none: ui('state-option.none')
				})
			},
			{
				key: 'siblings',
				label: ui('state-picker.peers'),
				options: { joined: ui('state-option.joined'), isolated: ui('state-option.isolated') }
			},
			{
				key: 'transmitter',
				label: optimisers ? ui('state-picker.optimisers') : ui('state-picker.transmitter'),
				options: pick(settings.transmitter, {
					fed: optimisers ? ui('state-option.producing') : ui('state-option.powered'),
					off: optimisers ? ui('state-option.standby') : ui('state-option.off'),
					none: ui('state-option.none')
				})
			}
		].filter(({ options }) => Object.keys(options).length > 1)
	);
	const otherwise = $derived(JSON.stringify(state) !== JSON.stringify(usual));
</script>

<details class:otherwise>
	<summary>
		{stateMessages(state, optimisers).map(speak).join(', ')}{#if otherwise}<strong
				>({speak(ui('state-picker.changed'))})</strong
			>{/if}
	</summary>
	<div>
		{#each choices as { key, label, options } (key)}
			<label
				>{speak(label)}
				<select
					class="bare"
					name="state-{key}"
					value={state[key as keyof SwitchingState]}
					onchange={(event) => onchange({ ...state, [key]: event.currentTarget.value })}
				>
					{#each Object.entries(options) as [value, name] (value)}<option {value}
							>{speak(name)}</option
						>{/each}
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
