/** A word that pilots use, in plain words. */
export interface Term {
	id: string;
	term: string;
	/** How it stands in a text. */
	found: RegExp;
	says: string;
}

export const GLOSSARY: readonly Term[] = [
	{
		id: 'heading',
		term: 'Heading',
		found: /\bheading/i,
		says: 'Which way the nose points. It comes from the compass, and says nothing of where the aircraft is or flies to.',
	},
	{
		id: 'position',
		term: 'Position',
		found: /\bposition\b(?! hold)/i,
		says: 'Where the aircraft is. It comes from satellites, and says nothing of which way the nose points: an aircraft may know one and not the other.',
	},
	{
		id: 'compass',
		term: 'Compass',
		found: /\bcompass/i,
		says: 'Feels the Earth’s magnetic field, and that of all iron and current near it. Wrong, the aircraft corrects drift in a wrong direction: it circles, wider and wider.',
	},
	{
		id: 'accelerometer',
		term: 'Accelerometer',
		found: /\baccelerometer|\bsix faces|\blevel sensor\b/i,
		says: 'Feels which way is down, and every push. Wrong, self-level leans, and it drifts hands off.',
	},
	{
		id: 'gyro',
		term: 'Gyro',
		found: /\bgyro/i,
		says: 'Feels turning, and nothing else. It is zeroed while the aircraft stands still after power-up; moved then, it drifts for the whole flight.',
	},
	{
		id: 'barometer',
		term: 'Pressure sensor',
		found: /\bpressure sensor|\bbarometer|\bpressure height/i,
		says: 'Tells height by air pressure. Wind on it, sun on it and the wash of the propellers look like height.',
	},
	{
		id: 'fix',
		term: 'Fix, lock',
		found: /\bfix\b|\block\b|\bsatellites\b/i,
		says: 'Enough satellites, well spread, for a position that stays where it is. Home is stored when it is first good: a poor one stores home beside the mark.',
	},
	{
		id: 'hdop',
		term: 'Spread of the satellites',
		found: /\bHDOP\b/i,
		says: 'How much the arrangement of the satellites widens errors on the ground. About one is good; two doubles them.',
	},
	{
		id: 'direct',
		term: 'Direct control',
		found: /\bdirect control/i,
		says: 'The stick commands how fast it turns; nothing levels it. Needs the gyro alone.',
	},
	{
		id: 'self-level',
		term: 'Self-level',
		found: /\bself-level/i,
		says: 'The stick commands how far it leans; let go, it levels and drifts with the wind. Needs gyro and accelerometer.',
	},
	{
		id: 'height-hold',
		term: 'Height hold',
		found: /\bheight hold/i,
		says: 'Self-level that also keeps its height. The throttle stick means climb rate, in the middle none. Needs the pressure sensor too.',
	},
	{
		id: 'position-hold',
		term: 'Position hold',
		found: /\bposition hold/i,
		says: 'Keeps its place against the wind. Needs satellites or downward vision, and a compass that is right.',
	},
	{
		id: 'return',
		term: 'Return home',
		found: /\breturn\b/i,
		says: 'Comes back to where home was stored, usually after climbing to its return height. Needs all of position hold, and a clear way.',
	},
	{
		id: 'link-loss',
		term: 'Loss of link',
		found: /\blink (is|was) lost|\bloss of link|\blink loss|\bradio off/i,
		says: 'The aircraft hears its radio no more. What it then does is a setting: stop its motors, land, hover, or return.',
	},
	{
		id: 'expo',
		term: 'Curve',
		found: /\bexpo\b|\bcurve of roll/i,
		says: 'Makes the middle of a stick gentler without taking its ends away.',
	},
	{
		id: 'gains',
		term: 'Gains',
		found: /\bgains?\b/i,
		says: 'How hard the aircraft corrects. Too high it shakes or buzzes, too low it swims.',
	},
	{
		id: 'ground-effect',
		term: 'Ground effect',
		found: /\bground effect|\bits own air/i,
		says: 'Near the ground, and near walls, the aircraft’s own air comes back and pushes it. It ends a rotor’s width or two up.',
	},
	{
		id: 'arming',
		term: 'Arming',
		found: /\barm(ed|ing)?\b|\bdisarm/i,
		says: 'Letting the motors start. Until then the sticks do nothing; after it every stick does.',
	},
	{
		id: 'elevon',
		term: 'Elevons',
		found: /\belevon/i,
		says: 'Two surfaces at the back of a wing: together they raise or lower the nose, against each other they roll it.',
	},
	{
		id: 'balance',
		term: 'Balance',
		found: /\bbalanc/i,
		says: 'Where it hangs level when held at its marks. A little nose-heavy flies, tail-heavy does not.',
	},
	{
		id: 'vision',
		term: 'Downward vision',
		found: /\bdownward (vision|sensors|camera)/i,
		says: 'A camera that holds the place over what it sees. It needs light and a pattern, and follows moving water and a lifted carpet.',
	},
];

/** The words of a text that the glossary explains, in its order; the longer name where both fit. */
export const termsIn = (text: string): Term[] => GLOSSARY.filter(({ found }) => found.test(text));
