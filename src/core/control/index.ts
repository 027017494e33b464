export * from './awayPlace';
export * from './blank';
export * from './display';
export * from './groupings';
export * from './habits';
export * from './level';
export * from './menu';
export * from './moments';
export * from './operation';
export * from './panel';
export {
	AWAY_FIELDS,
	CLOCK_FIELDS,
	entryOfField,
	gestureSchema,
	HAND_ACTS,
	isAwayField,
	keysOf,
	PLACE_FIELDS,
	type AwayField,
	type HandAct,
	type PanelGesture,
	type PlaceField
} from './panelParts';
export * from './panelStart';
export * from './panelWords';
export * from './profile';
export * from './program';
export * from './rules';
export * from './shipped';
export * from './units';
