/** What a new rig is asked, in the order in which a person can look it up. */
export interface Question {
  readonly id: QuestionId;
  readonly step: string;
  readonly title: string;
  readonly why: string;
  readonly hint: string;
  /** Asked only where an inverter and its battery feed the loads. */
  readonly needsInverter?: true;
}

export type QuestionId =
  | 'mains'
  | 'battery'
  | 'inverter'
  | 'hookup'
  | 'sun'
  | 'generator'
  | 'circuits'
  | 'loads';

export const FIRST_QUESTION: Question = {
  id: 'mains',
  step: 'Mains',
  title: 'Which mains do your outlets have?',
  why: 'It says how many amps a watt is, and which breakers are usual.',
  hint: 'It is on the nameplate of anything you plug in. Two legs only where the inlet has four blades.',
};

export const QUESTIONS: readonly Question[] = [
  FIRST_QUESTION,
  {
    id: 'battery',
    step: 'Battery',
    title: 'What is your battery?',
    why: 'It says how long, and how much at once.',
    hint: 'On its label. In series the volts add, side by side the amp-hours.',
    needsInverter: true,
  },
  {
    id: 'inverter',
    step: 'Inverter',
    title: 'What does your inverter carry?',
    why: 'Running without end, and for the moment in which a motor starts.',
    hint: 'Look in the data sheet under surge or peak. The figure in its name is often its peak.',
    needsInverter: true,
  },
  {
    id: 'hookup',
    step: 'Hookup',
    title: 'What do you plug into?',
    why: 'The smallest breaker on the way to you decides. Leave it open if you never do.',
    hint: 'The number on the breaker of the post or outlet. A plug or adapter that is smaller counts too.',
  },
  {
    id: 'sun',
    step: 'Sun',
    title: 'How much solar is on the roof?',
    why: 'It is kept for the day plan.',
    hint: 'On the label on the back of each panel.',
    needsInverter: true,
  },
  {
    id: 'generator',
    step: 'Generator',
    title: 'Do you carry a generator?',
    why: 'It stands in for the hookup.',
    hint: 'Its running watts, not the peak in its name.',
  },
  {
    id: 'circuits',
    step: 'Circuits',
    title: 'Which breakers feed your outlets?',
    why: 'Loads on one breaker share its limit.',
    hint: 'Name them as they are labelled in the panel: air conditioner, galley, outlets. Behind an inverter they go dead when it is off and nothing is plugged in.',
  },
  {
    id: 'loads',
    step: 'First loads',
    title: 'What do you run?',
    why: 'Begin with what trips things: motors, compressors, heaters, cookers.',
    hint: 'Usual values are taken and marked as typical; correct them in Loads when you have read or measured them.',
  },
];
