import { CONTINUOUS_MINUTES } from '../../reference/breaker-curves.js';
import { DAY_FIELD_HELP } from './day-field-help.js';
import type { FieldHelpEntries as Entries, FieldHelpEntry as Entry } from './field-help-entries.js';
import { withoutIndexes } from '../field-table.js';

/** What a field means to the person at the equipment: a sentence each. */
export interface FieldHelp {
  /** What it is. */
  readonly means: string;
  /** Where to find it; absent where there is only the user's own choice. */
  readonly where?: string | undefined;
  readonly decides: string;
}

const NAMES_ONLY = 'Only how it is called on the screen.';
const OWN_CHOICE = '';
const WHERE_RESET: Entry = [
  'Where a hand resets it after it has opened.',
  'Look once in daylight, before it goes dark.',
  'What the verdict tells you when it trips.',
];

/** The same fields in several places. */
const breaker = (at: string): Entries => ({
  [at]: [
    'The breaker that opens when too much flows for too long.',
    'In the panel, or on the device itself.',
    'A limit of its own, running and at each start.',
  ],
  [`${at}.amps`]: [
    'Its rated amps.',
    'Printed on its handle or its front.',
    'How much may flow for hours, and how long a start may last.',
  ],
  [`${at}.curve`]: [
    'The standard its tripping curve follows.',
    'UL 489 in North America; a letter B, C or D before the amps on an IEC breaker.',
    'How long it bears a start.',
  ],
  [`${at}.resetAt`]: WHERE_RESET,
});

const cable = (at: string): Entries => ({
  [at]: [
    'The copper between two points.',
    'Printed along its jacket.',
    'How warm it gets, and how many volts are lost.',
  ],
  [`${at}.awg`]: [
    'Its size on the American scale; a smaller number is a thicker wire.',
    'Printed along the jacket.',
    'What it carries, and the volts lost in it.',
  ],
  [`${at}.mm2`]: [
    'Its cross section.',
    'Printed along the jacket, where metric.',
    'What it carries, and the volts lost in it.',
  ],
  [`${at}.metres`]: [
    'From end to end, one way: both conductors are counted.',
    'A tape measure along the run.',
    'The volts lost in it.',
  ],
  [`${at}.bundles`]: [
    'Equal cables side by side that share the current.',
    'Count them at the stud.',
    'What they carry together.',
  ],
});

const cord = (at: string): Entries => ({
  [`${at}.name`]: ['What you call this cord or adapter.', OWN_CHOICE, NAMES_ONLY],
  [`${at}.plugA`]: [
    'The smallest plug, receptacle or adapter on this cord.',
    'Moulded into the plug.',
    'Above it something overheats and nothing opens.',
  ],
  [`${at}.awg`]: [
    'Its wire; a smaller number is a thicker wire.',
    'Printed on the jacket.',
    'What the cord carries.',
  ],
  [`${at}.mm2`]: [
    'Its cross section.',
    'Printed on the jacket, where metric.',
    'What the cord carries, and the volts lost in it.',
  ],
  [`${at}.metres`]: ['Its length.', 'A tape measure.', 'The volts lost in it.'],
});

const tier = (at: string): Entries => ({
  [at]: [
    'What it carries for a short time, in steps.',
    'Data sheet, under surge, peak or overload.',
    'Which starts it carries.',
  ],
  [`${at}[].limit`]: [
    'How much it carries for this many seconds.',
    'Data sheet, under surge, peak or overload.',
    'The ceiling of every start that lasts no longer.',
  ],
  [`${at}[].unit`]: ['The unit of the limit.', OWN_CHOICE, 'Nothing: it is always VA.'],
  [`${at}[].seconds`]: [
    'For how long.',
    'Data sheet, beside the surge.',
    'A longer start falls to the next lower step.',
  ],
});

const id = (at: string): Entries => ({
  [`${at}.id`]: ['How the file names it.', 'Made from its name.', 'What the command line calls it.'],
});

const named = (at: string): Entries => ({
  ...id(at),
  [`${at}.name`]: ['What you call it.', OWN_CHOICE, NAMES_ONLY],
});

const RIG: Entries = {
  format: ['What kind of file this is.', OWN_CHOICE, 'Whether the file is read at all.'],
  version: ['The version of the file.', OWN_CHOICE, 'How the file is read.'],
  id: ['How the book names this rig.', 'Made from its name.', 'Which rig a file replaces when it is opened.'],
  name: ['What you call this rig.', OWN_CHOICE, NAMES_ONLY],
  note: ['Anything worth keeping with the rig.', OWN_CHOICE, 'Nothing.'],
  currency: ['What your prices are in.', OWN_CHOICE, 'Only how costs are written.'],
  savedBy: ['Which build saved the file.', OWN_CHOICE, 'Nothing.'],
  conditions: [
    'How warm and how high it is where things stand.',
    'A thermometer beside each.',
    'What heat and height take from the ratings.',
  ],
  'conditions.inverterC': [
    'Warmth at the inverter, in use.',
    'A thermometer at its air intake.',
    'What it carries when hot.',
  ],
  'conditions.panelC': [
    'Warmth at the breakers.',
    'A thermometer in the panel.',
    'How early a breaker opens.',
  ],
  'conditions.batteryC': [
    'Warmth of the battery itself.',
    'Its own display, or a thermometer on the case.',
    'Its resistance, and whether it may be charged.',
  ],
  'conditions.outdoorC': [
    'Warmth of the air outside.',
    'A thermometer in the shade.',
    'How hard a compressor works, and what a generator gives.',
  ],
  'conditions.altitudeM': [
    'Height above the sea.',
    'A map.',
    'What a generator and a hot inverter still give.',
  ],
  practice: ['Where practitioners differ, which school you follow.', OWN_CHOICE, 'The rules named below.'],
  'practice.continuousRule': [
    'Plan for hours with at most 80 % of a breaker.',
    OWN_CHOICE,
    'Whether the planning rule has a row of its own.',
  ],
  'practice.ampacity': [
    'Whose table says what a cable carries.',
    OWN_CHOICE,
    'What a DC cable carries: boats and vehicles follow one table, houses another.',
  ],
  'practice.twelveVoltAdvice': [
    'Some keep 12 V systems under about 1 kW.',
    OWN_CHOICE,
    'Whether that advice is given.',
  ],
  'practice.losses': [
    'Whether what the inverter loses counts against its own rating.',
    OWN_CHOICE,
    'How much the inverter carries for hours.',
  ],
  known: [
    'Contradictions that you know better than.',
    'The button "I know" beside each.',
    'Which of them are not shown again.',
  ],
};

const BUSES: Entries = {
  buses: [
    'What several things are connected to: one voltage, one set of conductors.',
    'The panel, or the DC busbars.',
    'What feeds what.',
  ],
  ...named('buses[]'),
  'buses[].kind': ['Mains (AC) or battery side (DC).', OWN_CHOICE, 'What can be connected to it.'],
  'buses[].volts': [
    'Its nominal voltage, 120, 230 or that of the battery.',
    'The nameplate of what feeds it.',
    'How many amps a watt is.',
  ],
  'buses[].hertz': [
    '50 or 60 Hz.',
    'The nameplate of what feeds it.',
    'How a motor for the other one behaves.',
  ],
  'buses[].poles': [
    'One hot conductor; two against each other (240 V between them); or two from one pole.',
    'The inlet: three blades carry one, four carry two.',
    'Whether each leg has limits of its own.',
  ],
  'buses[].sharedNeutral': [
    'Whether two legs return through one neutral.',
    'A three-wire branch from a two-pole breaker does.',
    'Whether one pole on both legs can overload the neutral.',
  ],
};

const SOURCES: Entries = {
  sources: ['What power comes from, battery and sun apart.', OWN_CHOICE, 'Which supplies there can be.'],
  ...named('sources[]'),
  'sources[].kind': [
    'A shore inlet, a generator, or the vehicle.',
    OWN_CHOICE,
    'Which limits and cautions belong to it.',
  ],
  'sources[].bus': ['Where its conductors end.', 'Follow its cable.', 'What it feeds without the inverter.'],
  ...breaker('sources[].breaker'),
  'sources[].continuousW': [
    'Watts it gives for hours.',
    'Data sheet or nameplate; not its peak.',
    'What may run on it.',
  ],
  'sources[].continuousVA': [
    'Apparent power it gives for hours.',
    'Data sheet or nameplate: amps times volts.',
    'What may run on it.',
  ],
  ...tier('sources[].tiers'),
  'sources[].fuel': ['What it burns.', 'The filler cap.', 'What height and heat take from it.'],
  'sources[].ecoThrottle': [
    'It slows down at low load, and may stall as a motor starts.',
    'A switch on its front.',
    'A caution before a start.',
  ],
  'sources[].resetAt': WHERE_RESET,
};

const CONVERTERS: Entries = {
  converters: [
    'What turns battery power into mains or back.',
    OWN_CHOICE,
    'The limits that most sets meet first.',
  ],
  ...named('converters[]'),
  'converters[].kind': [
    'Inverter alone, inverter with charger and transfer relay, or a charger alone.',
    'Its nameplate.',
    'Whether shore passes through it, and whether it charges.',
  ],
  'converters[].from': ['What it draws from.', 'Its DC cables.', 'Which battery carries it.'],
  'converters[].to': ['What it feeds.', 'Its output terminals.', 'Which circuits are behind it.'],
  'converters[].passThroughFrom': [
    'The inlet it passes through while shore or generator is there.',
    'Its AC input terminals.',
    'What is behind the inverter on shore.',
  ],
  'converters[].pole': [
    'Which leg of a two-leg panel it feeds.',
    'Its output terminals.',
    'Which loads it carries: each leg has only its own share.',
  ],
  'converters[].unitsInParallel': [
    'Equal units side by side as one.',
    'Count them.',
    'Their ratings add; the numbers here are of one.',
  ],
  'converters[].continuousW': [
    'Watts it carries for hours.',
    'Data sheet at 25 or 40 °C, not its peak and not the figure in its name.',
    'What may run together.',
  ],
  'converters[].continuousVA': [
    'Apparent power it carries for hours.',
    'Data sheet; where only one figure is given, it is usually this.',
    'What may run together, with motors among them.',
  ],
  ...tier('converters[].tiers'),
  'converters[].recoveryS': [
    'How long it must rest between two overloads.',
    'Data sheet, often in a foot note.',
    'The wait between two starts.',
  ],
  'converters[].aboveTopTier': [
    'Whether it shuts down or lowers its voltage when more is asked than its highest tier.',
    'Data sheet, under overload protection.',
    'What happens at a start that is too large.',
  ],
  'converters[].ratedUpToC': [
    'Up to which warmth its rating is given.',
    'Data sheet, beside the rating.',
    'What it carries in a hot compartment.',
  ],
  'converters[].waveform': [
    'A true sine, or steps.',
    'Data sheet or nameplate.',
    'How motors start and microwaves cook on it.',
  ],
  'converters[].idleW': [
    'What it draws with nothing on.',
    'Data sheet, or a clamp on the battery cable at night.',
    'Hours on the battery.',
  ],
  'converters[].efficiencyPeak': [
    'The best share it passes on, usually at a third of its rating; 0.94 is 94 %.',
    'Data sheet.',
    'Amps from the battery.',
  ],
  'converters[].efficiencyFull': [
    'The share it passes on at full power.',
    'Data sheet, or its curve at the right end.',
    'Amps from the battery at a large load.',
  ],
  'converters[].canAssist': [
    'Whether it adds battery power to shore or generator while both are on.',
    'Data sheet; names differ. A unit that only transfers cannot.',
    'Whether more than the pedestal gives may run.',
  ],
  'converters[].passThroughA': [
    'What its transfer relay carries.',
    'Data sheet, under transfer or feed-through.',
    'A limit while shore or generator is on.',
  ],
  ...breaker('converters[].outputBreaker'),
  'converters[].chargeA': [
    'DC amps it charges with.',
    'Its own setting.',
    'What charging takes from the source.',
  ],
  'converters[].cutOffV': [
    'Battery volts at which it shuts down.',
    'Its own setting, or the data sheet.',
    'Whether a large start ends in the dark at a low charge.',
  ],
  'converters[].resetAt': WHERE_RESET,
};

const BATTERIES: Entries = {
  batteries: [
    'The battery bank; one entry for each string side by side.',
    OWN_CHOICE,
    'How long, and how much at once.',
  ],
  ...named('batteries[]'),
  'batteries[].bus': ['The DC busbar it is on.', 'Follow its cables.', 'What it carries.'],
  'batteries[].chemistry': [
    'Lithium iron phosphate, or which kind of lead.',
    'Its label.',
    'Volts, resistance, and how it bears the cold.',
  ],
  'batteries[].ampHours': [
    'Capacity of this entry; in series amp-hours stay, side by side they add.',
    'Its label.',
    'How long it runs.',
  ],
  'batteries[].ratedHours': [
    'Amp-hours are stated for so many hours, 20 where nothing is said.',
    'Its label, as C20 or 20 h.',
    'What lead gives at a high current.',
  ],
  'batteries[].reservePercent': ['What you do not want to use.', OWN_CHOICE, 'When the clock runs out.'],
  'batteries[].dischargeA': [
    'Amps it gives for hours.',
    'Data sheet of its protection (BMS).',
    'What the inverter may draw.',
  ],
  'batteries[].tiers': [
    'What its protection bears for a short time.',
    'Data sheet of its protection (BMS).',
    'Whether a start shuts the battery off.',
  ],
  'batteries[].tiers[].amps': [
    'Amps for this many seconds.',
    'Data sheet of its protection (BMS).',
    'Whether a start shuts the battery off.',
  ],
  'batteries[].tiers[].seconds': [
    'For how long.',
    'Beside the amps.',
    'A longer start falls to the next lower step.',
  ],
  'batteries[].ohms': [
    'Its resistance as one number.',
    'Volts before and under a known current: the fall over the amps.',
    'How far the volts sag at a start.',
  ],
  'batteries[].restV': [
    'Volts after an hour without load. Left open, it follows from the chemistry.',
    'A volt meter at its posts.',
    'How far it is from the cut-off.',
  ],
  ...cable('batteries[].cable'),
  'batteries[].fuse': [
    'The fuse at the battery.',
    'In its holder at the post.',
    'A limit on the battery side.',
  ],
  'batteries[].fuse.amps': [
    'Its rated amps.',
    'Printed on the fuse, not on the holder.',
    'How much may flow.',
  ],
  'batteries[].fuse.kind': ['How it is built.', 'Its body.', 'How long it bears a start.'],
  'batteries[].sharesEvenly': [
    'Batteries side by side with cables of equal length and equal age give the same amps.',
    'A clamp around each, one after the other.',
    'Whether one of them reaches its limit before the others.',
  ],
  'batteries[].cutOffV': [
    'Volts at which its own protection opens.',
    'Data sheet of its protection (BMS).',
    'Whether a large start ends in the dark.',
  ],
  'batteries[].resetAt': WHERE_RESET,
};

const SOLAR: Entries = {
  solar: ['Panels with their charge controller.', OWN_CHOICE, 'What comes in by day.'],
  ...named('solar[]'),
  'solar[].bus': ['The DC busbar it charges.', 'Follow its cables.', 'Which battery it fills.'],
  'solar[].stcW': [
    'Watts of all panels together.',
    'The label on the back of each.',
    'What comes in at best.',
  ],
  'solar[].chargerA': ['What its controller passes at most.', 'Its nameplate.', 'What comes in at best.'],
  'solar[].tiltDegrees': [
    '0 is flat on the roof.',
    'An angle gauge, or a guess.',
    'What comes in in winter.',
  ],
};

const CIRCUITS: Entries = {
  circuits: ['One breaker of the panel with what hangs on it.', 'The panel.', 'Which loads share a limit.'],
  ...named('circuits[]'),
  'circuits[].bus': [
    'Behind the inverter, ahead of it, or on DC.',
    'Switch the inverter off: what stays dead is behind it.',
    'Which supplies feed it.',
  ],
  'circuits[].pole': [
    'Which leg, or both for 240 V.',
    'Every second place in the panel.',
    'Which leg carries it.',
  ],
  ...breaker('circuits[].protection'),
  ...cable('circuits[].cable'),
  'circuits[].receptacleA': [
    'The outlet at its end.',
    'Moulded into its face.',
    'A limit below the breaker.',
  ],
  'circuits[].hasFreeOutlets': [
    'Whether anyone may plug something in here.',
    'Look for a free outlet.',
    'Where a load that nobody planned can come from.',
  ],
  'circuits[].sharesNeutralWith': [
    'The other circuit of a three-wire branch.',
    'A two-pole breaker with two hots and one neutral.',
    'Whether their neutral can be overloaded.',
  ],
};

const LOADS: Entries = {
  loads: ['What uses power.', OWN_CHOICE, 'What may run together.'],
  ...named('loads[]'),
  'loads[].circuit': [
    'The breaker it hangs on.',
    'Switch the breaker off and see.',
    'Which limits it shares with what.',
  ],
  'loads[].usage': [
    'Left on; starts by itself (thermostat, pressure switch); or switched again and again during work.',
    OWN_CHOICE,
    'Whether it must be startable on top of everything else.',
  ],
  'loads[].runsMinutes': [
    `How long it usually runs. From ${CONTINUOUS_MINUTES} minutes on it counts as continuous.`,
    'A clock.',
    'How warm a breaker gets, and the 80 % rule.',
  ],
  'loads[].startsPerHour': [
    'How often it is switched on in an hour of use.',
    'A tally on paper.',
    'Nothing yet in Together; kept for the day plan.',
  ],
  'loads[].cycling': [
    'How long a thermostat keeps it on, and off.',
    'A clock over three full cycles.',
    'Its share of the day; kept for the day plan.',
  ],
  'loads[].cycling.onMinutes': [
    'Minutes from its start to its stop.',
    'A clock over three cycles.',
    'Its share of the day.',
  ],
  'loads[].cycling.offMinutes': [
    'Minutes from its stop to its start.',
    'A clock over three cycles.',
    'Its share of the day.',
  ],
  'loads[].quietHours': [
    'When it must be silent.',
    OWN_CHOICE,
    'Nothing yet in Together; kept for the day plan.',
  ],
  'loads[].quietHours.from': ['When the silence begins.', OWN_CHOICE, 'When it may not run.'],
  'loads[].quietHours.to': ['When it ends.', OWN_CHOICE, 'When it may not run.'],
  'loads[].cord': ['The plug and cord of its own.', 'Its plug and jacket.', 'A limit of its own.'],
  ...cord('loads[].cord'),
  'loads[].importance': ['How much you want it.', OWN_CHOICE, 'What is offered first to be left out.'],
  'loads[].isProtected': [
    'Never to be switched off to make room.',
    OWN_CHOICE,
    'It is not offered as the one to drop.',
  ],
  'loads[].neverOn': ['Supplies on which you never run it.', OWN_CHOICE, 'Where it is "not on this supply".'],
  'loads[].otherFuel': [
    'What does the same without power, such as gas.',
    OWN_CHOICE,
    'What can be offered instead.',
  ],
  'loads[].afterOutage': [
    'Whether it runs again by itself.',
    'Its manual; a switch of two buttons, a no-volt release, lets go as the power goes.',
    'What starts together when power comes back.',
  ],
  'loads[].restartWaitS': [
    'How long it refuses to start after a stop or an outage.',
    'A clock; three minutes and more are usual for compressors.',
    'What "not yet" means, and in which waves power comes back.',
  ],
  'loads[].ratedHertz': [
    'The frequency it is made for.',
    'Its nameplate.',
    'How a motor behaves on the other one.',
  ],
  'loads[].dependsOnIt': [
    'Whether a person or an animal depends on it.',
    OWN_CHOICE,
    'A caution of its own.',
  ],
};

const PARTS: Entries = {
  'loads[].parts': [
    'What draws power in it: a roof unit is a fan and a compressor.',
    'Its nameplate lists motors apart.',
    'Each has its own start.',
  ],
  ...id('loads[].parts[]'),
  'loads[].parts[].name': ['What you call this part.', OWN_CHOICE, NAMES_ONLY],
  'loads[].parts[].kind': [
    'What it is made of.',
    'Its nameplate, or what it does.',
    'The usual start, power factor and doubt where you give none.',
  ],
  'loads[].parts[].runningW': [
    'What it draws once it runs.',
    'A plug-in meter shows it; a nameplate only says about.',
    'The running sums of every limit.',
  ],
  'loads[].parts[].runningFrom': [
    'Another figure the watts follow from.',
    'Its nameplate.',
    'The running sums of every limit.',
  ],
  'loads[].parts[].runningFrom.amps': [
    'Amps once it runs.',
    'On the nameplate, or with a clamp around one conductor.',
    'Its apparent power: amps times volts.',
  ],
  'loads[].parts[].runningFrom.va': [
    'Apparent power once it runs.',
    'A plug-in meter.',
    'The running sums of every limit.',
  ],
  'loads[].parts[].runningFrom.horsepower': [
    'The motor’s own, not the "peak" of a label.',
    'The plate on the motor.',
    'Amps by the motor table.',
  ],
  'loads[].parts[].runningFrom.coolingW': [
    'Heat it moves, not power it draws: BTU/h on the plate is heat.',
    'Its nameplate.',
    'Watts, with the cooling per watt.',
  ],
  'loads[].parts[].runningFrom.coolingPerWatt': [
    'Heat moved for each watt: EER divided by 3.412.',
    'The energy label.',
    'Watts from the cooling capacity.',
  ],
  'loads[].parts[].runningFrom.cookingW': [
    'What a microwave oven gives into the food.',
    'Its front; the plate on the back shows what it draws.',
    'Watts, by its efficiency.',
  ],
  'loads[].parts[].runningFrom.chargeA': [
    'DC amps of a battery charger.',
    'Its setting or its plate.',
    'Watts, with the volts it charges at.',
  ],
  'loads[].parts[].runningFrom.volts': [
    'Volts the figure was stated at.',
    'Beside it on the nameplate.',
    'What the amps mean.',
  ],
  'loads[].parts[].powerFactor': [
    'Watts over VA; 1 for heaters, about 0.65 for small motors.',
    'A plug-in meter that shows it.',
    'Apparent power, which an inverter must carry too.',
  ],
  'loads[].parts[].start': [
    'What it draws as it starts.',
    OWN_CHOICE,
    'Which starts fit on top of what runs.',
  ],
  'loads[].parts[].start.va': [
    'Apparent power as it starts.',
    'The highest of five starts on a clamp meter, times the volts.',
    'Whether it starts on top of what runs.',
  ],
  'loads[].parts[].start.from': [
    'Another figure the start follows from.',
    'Its nameplate.',
    'The size of the start.',
  ],
  'loads[].parts[].start.from.inrushA': [
    'The highest of five starts, the base load included.',
    'A clamp meter with inrush, around one conductor.',
    'The size of the start.',
  ],
  'loads[].parts[].start.from.baseA': [
    'What flowed through the clamp before the start.',
    'The same clamp, just before.',
    'It is taken off the inrush.',
  ],
  'loads[].parts[].start.from.lockedRotorA': [
    'LRA: amps while the rotor stands.',
    'The nameplate of the compressor.',
    'The size of the start.',
  ],
  'loads[].parts[].start.from.ratedLoadA': [
    'RLA: amps in full work.',
    'The nameplate of the compressor.',
    'The start, by the usual multiple.',
  ],
  'loads[].parts[].start.from.codeLetter': [
    'A letter for its VA per horsepower with the rotor locked.',
    'The nameplate of the motor, as CODE.',
    'The size of the start, with its horsepower.',
  ],
  'loads[].parts[].start.from.horsepower': [
    'The motor’s own, not the "peak" of a label.',
    'The plate on the motor.',
    'The size of the start, by the motor table or the letter.',
  ],
  'loads[].parts[].start.from.volts': [
    'Volts the figure was stated at.',
    'Beside it on the nameplate.',
    'What the amps mean.',
  ],
  'loads[].parts[].start.soft': [
    'A device that cuts the start current and makes it longer.',
    'A box beside the compressor.',
    'The size and the length of the start.',
  ],
  'loads[].parts[].start.soft.remaining': [
    'Which share of the start current it leaves; 0.4 is 40 %.',
    'Its own display after it has learned, or a clamp.',
    'The size of the start.',
  ],
  'loads[].parts[].start.soft.rampS': [
    'How long it takes to full speed.',
    'Its data sheet.',
    'Which surge tier applies.',
  ],
  'loads[].parts[].start.soft.isLearning': [
    'The first starts after fitting or a reset are larger.',
    'Its lamp.',
    'The size of these starts.',
  ],
  'loads[].parts[].start.soft.isBypassed': [
    'After a fault it may pass the full start current.',
    'Its lamp.',
    'Whether it cuts the start at all.',
  ],
  'loads[].parts[].start.none': [
    'It draws no more at its start than running, though its kind usually does.',
    'A clamp meter with an inrush function.',
    'Whether the usual start of its kind is left out.',
  ],
  'loads[].parts[].start.seconds': [
    'How long it draws that much.',
    'A clamp meter with a timer; by eye within half a second.',
    'Which surge tier applies.',
  ],
  'loads[].parts[].start.powerFactor': [
    'Watts over VA as it starts.',
    'Hardly ever known; left open, the usual range counts.',
    'How it adds to what runs.',
  ],
  'loads[].parts[].start.softStarter': [
    'Whether the start entered here was seen with a soft starter at work.',
    OWN_CHOICE,
    'Restart wait, and what is advised.',
  ],
  'loads[].parts[].bogs': [
    'A saw in a hard cut draws twice its nameplate for seconds, again and again.',
    'Its sound.',
    'What must be left for it while it works.',
  ],
};

const STATES: Entries = {
  'loads[].states': ['Levels or modes, such as low and high.', 'Its knob.', 'What it draws in each.'],
  ...named('loads[].states[]'),
  'loads[].states[].works': [
    'Less power all the time, or full power in pulses. Not known counts as pulses: the peak is what trips.',
    'A meter at this level: a steady figure, or one that jumps.',
    'What the checks count at this level.',
  ],
  'loads[].states[].parts': ['Which parts run in this state.', 'Listen.', 'What it draws in it.'],
  'loads[].states[].parts[].part': ['The part.', OWN_CHOICE, 'What runs.'],
  'loads[].states[].parts[].share': [
    'The share of its running power; 0.4 is 40 %.',
    'A plug-in meter at this level.',
    'What it draws in this state.',
  ],
  'loads[].programme': ['Stages that follow each other.', 'Its instructions.', 'What it draws, and when.'],
  'loads[].programme.stages': ['One state after another.', 'Its instructions.', 'What it draws, and when.'],
  'loads[].programme.stages[].state': ['The state it is in.', OWN_CHOICE, 'What it draws.'],
  'loads[].programme.stages[].minutes': ['For how long.', 'A clock.', 'When the next stage begins.'],
  'loads[].programme.survivesBreakMinutes': [
    'How long it may stand still without harm.',
    'Its instructions.',
    'Whether it bears a change of supply.',
  ],
};

const TIES: Entries = {
  ties: ['What starts with something else.', OWN_CHOICE, 'Starts that cannot be had apart.'],
  'ties[].follower': ['What follows.', OWN_CHOICE, 'What starts with the leader.'],
  'ties[].leader': ['What it starts with.', OWN_CHOICE, 'When it starts.'],
  'ties[].delayS': ['Seconds after the leader.', 'Its own setting.', 'Whether both starts fall together.'],
  'ties[].runOnS': ['Seconds it runs on.', 'Its own setting.', 'Kept for the day plan.'],
  locks: ['Of these only one can run at a time.', 'An either-or switch.', 'Which sets there can be.'],
  'locks[].name': ['What you call the switch.', OWN_CHOICE, NAMES_ONLY],
  'locks[].loads': ['What hangs on it.', 'Follow its cables.', 'Which sets there can be.'],
  shedders: ['What drops a load by itself.', 'A box in the panel.', 'What goes off before a breaker does.'],
  'shedders[].name': ['What you call it.', OWN_CHOICE, NAMES_ONLY],
  'shedders[].drops': ['What it drops.', 'Its output.', 'What goes off.'],
  'shedders[].leadsStart': [
    'Whether it drops its load before the start it makes room for.',
    'Its instructions: most act only once the current is there.',
    'Whether that start has to be carried on top.',
  ],
  'shedders[].watches': ['What it makes room for.', 'Its sensing clamp.', 'When it drops.'],
};

const SUPPLIES: Entries = {
  supplies: [
    'A situation: what you are plugged into.',
    OWN_CHOICE,
    'Everything: each supply has its own verdict.',
  ],
  ...named('supplies[]'),
  'supplies[].sources': ['What is connected; nothing means on battery.', OWN_CHOICE, 'What feeds the rig.'],
  ...breaker('supplies[].breaker'),
  'supplies[].breaker.amps': [
    'The smallest breaker in the chain, from the post to the inlet.',
    'Printed on its handle; on an adapter the smaller side counts.',
    'What the source bears.',
  ],
  'supplies[].cords': [
    'What is between the post and the inlet.',
    'Lay it out and look.',
    'Limits of their own.',
  ],
  ...cord('supplies[].cords[]'),
  'supplies[].otherLoadsA': [
    'What the same breaker feeds besides you.',
    'Ask, or look what goes dark with it.',
    'What is left for you.',
  ],
  'supplies[].pricePerKWh': [
    'What a kWh costs you from this supply; on battery, what it costs to fill it again.',
    'The park’s tariff, or fuel over what the generator makes of it.',
    'What an hour of a load, and a day, cost.',
  ],
  'supplies[].inputLimitA': [
    'How much the inverter/charger takes from this source at most.',
    'Its own panel: you set it there by hand.',
    'What the battery adds, and whether the post survives.',
  ],
  'supplies[].assist': [
    'Whether battery power is added.',
    'Its own panel.',
    'Whether more than the post gives may run.',
  ],
  'supplies[].whoCarriesStart': [
    'Shared only if the data sheet says so, or three starts on this hookup have shown it.',
    'Try a start three times with its total above what one of them carries.',
    'Whether post and inverter must each bear a start alone.',
  ],
  'supplies[].charging': ['Whether the charger runs.', 'Its own panel.', 'What it takes from the source.'],
  'supplies[].legs': [
    'Two legs of 120 V against each other (240 V between them), one 120 V pole on both, or two legs of a 208 V service.',
    'A volt meter between the two hots: 240, 0 or 208 V.',
    'What 240 V loads get, and what the neutral carries.',
  ],
  'supplies[].volts': [
    'Volts at the inlet with little on.',
    'A volt meter in any outlet; the arrival test gives it.',
    'Whether compressors start, and what heaters draw.',
  ],
  'supplies[].sourceOhms': [
    'How much the volts fall for each amp.',
    'The arrival test: volts empty and under load.',
    'How far the volts fall at a start, and the advised input limit.',
  ],
};

const SCENES: Entries = {
  scenes: ['What is on, on which supply.', 'Together.', 'What a reload restores.'],
  ...named('scenes[]'),
  'scenes[].supply': ['The supply it is on.', 'Together.', 'Which limits count.'],
  'scenes[].on[].heldOff': [
    'Of a load that starts by itself: its switch is off until its turn comes.',
    'Together, under Ways to make it fit.',
    'Whether it runs before the first start by hand.',
  ],
  'scenes[].startOrder': [
    'In which order the loads are started: the best there is, the one in which they are ticked, or any.',
    'Together, above the picture of the starts.',
    'What runs when each of them starts.',
  ],
  'scenes[].on[].offAtRestartOf': [
    'Tools before whose restart it is switched off, and on again after it.',
    'Together, among the ways to make it fit.',
    'Whether the tool can be restarted.',
  ],
  'scenes[].on': ['What is ticked, in the order of the ticks.', 'Together.', 'What runs.'],
  'scenes[].on[].load': ['What is ticked.', 'Together.', 'What runs.'],
  'scenes[].on[].state': ['The state it is in.', 'Together.', 'What it draws.'],
  'scenes[].charge': ['How full the battery is.', 'Its display.', 'When the clock runs out.'],
  'scenes[].charge.percent': ['Charge in percent.', 'Its display.', 'When the clock runs out.'],
  'scenes[].charge.readAt': ['When it was read.', 'Taken from the clock.', 'How old the reading is.'],
  logbook: ['Tests, as they came with the file.', 'Logbook.', 'Which numbers were measured, and how.'],
  'logbook[].id': ['How the file names it.', 'Made when it is begun.', 'Nothing else.'],
};

/** Help by the place of the field, for every field of the field table. */
export const FIELD_HELP: Entries = {
  ...DAY_FIELD_HELP,
  ...RIG,
  ...BUSES,
  ...SOURCES,
  ...CONVERTERS,
  ...BATTERIES,
  ...SOLAR,
  ...CIRCUITS,
  ...LOADS,
  ...PARTS,
  ...STATES,
  ...TIES,
  ...SUPPLIES,
  ...SCENES,
};

/**
 * What a field means, where to find it and what it decides.
 *
 * @param path Its place, with or without indexes: `loads[3].parts[0].runningW`.
 * @returns Undefined for a place that is no field of its own, such as the basis of a number.
 */
export function helpOf(path: string): FieldHelp | undefined {
  const entry = FIELD_HELP[withoutIndexes(path)];
  if (!entry) return undefined;
  const [means, where, decides] = entry;
  return { means, where: where === OWN_CHOICE ? undefined : where, decides };
}
