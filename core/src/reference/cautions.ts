/**
 * The cautions that facts of a rig or a set call for (methods.md 12, from memory): one line beside the
 * verdict, the full text behind it. They defer to the code in force and to licensed practice.
 */
export interface CautionText {
  readonly line: string;
  readonly text: string;
}

export const CAUTION_TEXTS = {
  'shared-neutral': {
    line: 'One 120 V pole feeds both legs: a shared neutral carries the sum, and no breaker sees it.',
    text: 'Two circuits that share a neutral are sound only where their legs oppose. On a single 120 V inverter or adapter their currents add in the neutral, which can burn without tripping anything. Ask a licensed electrician whether any circuits share a neutral before you feed both legs from one pole. NEC 210.4 and 710.15(C), from memory.',
  },
  adapter: {
    line: 'An adapter: the smallest plug and cord of the chain decides, and direction matters.',
    text: 'A smaller plug and cord on a larger outlet is protected only at the larger rating; refuse it without a breaker in line. A larger vehicle on a smaller outlet is only a limit. Adapters that join two outlets to gain 240 V or current must not be used. A warm plug or cord means stop.',
  },
  bond: {
    line: 'Neutral and ground are bonded once, at the source in use.',
    text: 'At the post on shore, at the inverter while it inverts (by its bond relay), at a generator that is a separately derived source. Two bonds make currents where none belong and trip ground-fault devices; none may keep a breaker from clearing a fault. NEC 250.30, 551.54; UL 458; ABYC E-11; IEC 60364-5-55, from memory. A licensed person checks it.',
  },
  transfer: {
    line: 'Sources must never meet: a transfer switch or an interlock keeps them apart.',
    text: 'Never feed a panel through an outlet or with a cord that has two plugs. Interlock or transfer switch, the neutral included where the code asks for it. NEC 702.5, 551.33, from memory.',
  },
  'carbon-monoxide': {
    line: 'Generator exhaust kills: never in or near an occupied space, and keep a detector.',
    text: 'Carbon monoxide has no smell. Run a generator well away from windows, doors and vents, downwind, and keep a working detector where people sleep. Site rules and quiet hours prevail.',
  },
  'eco-throttle': {
    line: 'Switch the generator’s eco throttle off before a motor starts.',
    text: 'At idle speed it may stall as a compressor or a motor starts, and drop everything on it. Common practice, no published source.',
  },
  'cold-charging': {
    line: 'Lithium batteries must not be charged below 0 °C.',
    text: 'Charging a frozen lithium cell damages it for good. Use a battery with its own heater or cut-off; solar and the vehicle’s charger count too. The maker’s instructions decide.',
  },
  'battery-matching': {
    line: 'Before batteries are joined side by side: same kind, same age, volts within 0.1 V.',
    text: 'Batteries of different volts equalise with hundreds of amps the moment they are joined. Same kind and age, equal cable lengths, never lead-acid with lithium. When one of them trips, all its current falls on the rest.',
  },
  'high-dc-current': {
    line: 'Hundreds of amps: a loose lug burns. Fuse at the battery, torque, and an infrared thermometer.',
    text: 'Cable and fuse must suit each other, the fuse must be able to break a short circuit of thousands of amps, and a disconnect must be within reach. ABYC E-11 and E-13, NEC 480 and 706, from memory. Work on it is for a qualified person.',
  },
  'plug-heat': {
    line: 'Hours at this current: look, smell, take the heat of the plug by infrared. Warm means stop.',
    text: 'Plugs, receptacles and cords age. Uncoil the cord, keep joints dry, and plan no more than 80 % of a breaker for three hours and more. Domestic plugs bear about 10 A for hours (common practice, no published source).',
  },
  'unattended-heat': {
    line: 'Heat that runs for hours or starts by itself: never on memory alone, never unattended near what burns.',
    text: 'Thermostats restart by themselves, also after power returns. Use devices with tip-over and overheat protection, on a circuit of their own, and not on a thin extension cord.',
  },
  medical: {
    line: 'A medical device depends on this: keep an independent back-up. Do not rely on this tool.',
    text: 'No verdict here is a promise. Keep a second source that starts by itself, know how long it lasts, and follow what the device’s maker and your clinician say.',
  },
  animals: {
    line: 'Animals depend on this cooling or heating: keep an alarm and a second way out of the heat.',
    text: 'A vehicle in the sun becomes deadly within minutes once cooling stops, and any supply can fail. Do not leave animals behind on the strength of a verdict.',
  },
  'low-voltage': {
    line: 'The volts are low: stop compressors and motors until they are back.',
    text: 'Below about nine tenths of the nominal voltage (108 V of 120, 207 V of 230) motors overheat and may not start. Change to battery, or lower the load of the post. A full park explains it: 36 sites of 50 A are planned at 20.5 A each (NEC 551.73 of 2020 and later). NEMA MG 1 and ANSI C84.1, from memory.',
  },
  'high-voltage': {
    line: 'The volts are high: heaters draw more than their plate says, and electronics suffer.',
    text: 'More than a tenth above the nominal voltage (132 V of 120, 253 V of 230) is beyond what equipment is made for (IEC 60038); on 120 V the usual range ends at 126 V already (ANSI C84.1, range A). Disconnect, and tell whoever runs the post. From memory, second hand.',
  },
  'twelve-volts': {
    line: 'More than 1 kW from a 12 V bank: many hold that for the comfortable limit.',
    text: 'It can be done with short, heavy cable, and the limits of cable, fuse and battery above always count; but losses and heat grow with the square of the current, and a higher system voltage is kinder. Common practice, no published source; the advice can be switched off.',
  },
  'modified-sine': {
    line: 'A modified sine wave: motors run hot and weak, some electronics fail.',
    text: 'Soft starters, dimmers, some chargers and induction hobs do not run on it; microwave ovens are weak and loud; not every ground-fault device works. Common practice, no published source.',
  },
  'two-legs-240': {
    line: 'A 240 V load must never be on while both legs are one pole or one leg is lost.',
    text: 'It gets no voltage or a wrong one, and with an open neutral the lighter leg rises far above 120 V. Switch it off before you change supplies.',
  },
} as const satisfies Record<string, CautionText>;

export type CautionId = keyof typeof CAUTION_TEXTS;
