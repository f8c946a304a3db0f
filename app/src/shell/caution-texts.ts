export interface Caution {
  readonly title: string;
  readonly text: string;
}

/** What a user must know before relying on any verdict (methods.md 12). */
export const CAUTIONS: readonly Caution[] = [
  {
    title: 'This is planning, not approval',
    text: 'No result permits an installation or a use. The electrical code in force, the makers’ instructions and a licensed electrician or technician decide. Where they say less than a result here, they are right.',
  },
  {
    title: 'Nothing is switched from here',
    text: 'Heliarch measures nothing and controls nothing. It works with the numbers you entered, and a typical value or a guess can be far off. Measure what decides.',
  },
  {
    title: 'Warm means stop',
    text: 'A plug, adapter, cord or lug that gets warm is failing, whatever a verdict says. Uncoil cords. Plan no more than 80 % of a breaker for what runs three hours and more.',
  },
  {
    title: 'A breaker does not protect everything behind it',
    text: 'Plugs, cords and adapters smaller than the breaker can burn without tripping it. A breaker may carry a third more than its rating for an hour. Never replace a breaker by a larger one, and never remove a ground-fault device that trips.',
  },
  {
    title: 'Low voltage harms motors',
    text: 'Below 108 V on a 120 V supply (207 V on 230 V) compressors and motors overheat. Stop them until the voltage is back.',
  },
  {
    title: 'Batteries and heavy cable',
    text: 'Hundreds of amps flow at 12 to 48 V: loose lugs burn, and a short circuit is violent. Fuse at the battery, and never charge a cold lithium battery.',
  },
  {
    title: 'Heat and motors left alone',
    text: 'Thermostats and pressure switches restart by themselves, also after power returns. Do not leave heaters or cookers unattended, and do not rely on remembering.',
  },
  {
    title: 'Generators',
    text: 'Exhaust kills. Never run one in or near an occupied space, and keep a carbon monoxide detector. Sources must never meet: use a transfer switch or an interlock.',
  },
  {
    title: 'Lives',
    text: 'For medical devices, and for animals that depend on cooling, do not rely on this tool. Keep an independent back-up.',
  },
];
