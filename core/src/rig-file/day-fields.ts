import {
  choiceField,
  dateField,
  groupField,
  idField,
  listField,
  nameField,
  numberField,
  ownReferenceField,
  referenceField,
  textField,
  timeField,
  yesOrNo,
} from './fields.js';

/** The most days that are planned at once. */
const MOST_DAYS = 7;
const MOST_JOB_MINUTES = 1440 * MOST_DAYS;
const HOURS_OF_ZONES = 14;
const MOST_DRIVE_W = 20_000;
const MOST_TIMES = 20;
const MOST_STARTS = 1000;
const MOST_HOURS_KEPT = 240;

const minutes = (label: string) =>
  numberField({ label, unit: 'minutes' }, { above: 0, max: MOST_JOB_MINUTES });

/** Which day of the plan, the first being 1. */
const onDay = numberField({ label: 'day', unit: 'days' }, { min: 1, max: MOST_DAYS });

/** From when to when a supply is there, or may be used. */
const supplyOverTime = groupField({
  supply: referenceField('supply', 'supplies'),
  use: choiceField('how it is used', ['connected', 'if-needed']),
  onDay,
  from: timeField('from'),
  until: timeField('until'),
});

/** When the vehicle's own charging helps. */
const drive = groupField({
  onDay,
  from: timeField('from'),
  until: timeField('until'),
  watts: numberField({ label: 'what it charges with', unit: 'W' }, { above: 0, max: MOST_DRIVE_W }),
});

const job = groupField({
  id: idField('id'),
  name: nameField('name'),
  load: referenceField('load', 'loads'),
  state: idField('state').optional(),
  with: listField('loads that run with it', referenceField('load', 'loads')).optional(),
  minutes: minutes('minutes it takes'),
  leastMinutes: minutes('minutes it may be cut down to'),
  times: numberField({ label: 'how often', unit: 'times' }, { min: 1, max: MOST_TIMES }),
  starts: numberField({ label: 'starts while it runs', unit: 'starts' }, { min: 1, max: MOST_STARTS }),
  onDay,
  repeats: choiceField('repeats', ['once', 'daily']).optional(),
  from: timeField('not before').optional(),
  until: timeField('done by').optional(),
  importance: choiceField('importance', ['must', 'should', 'may']).optional(),
  maySplit: yesOrNo('may be split'),
  blockMinutes: minutes('shortest piece'),
  after: ownReferenceField('job it comes after', 'jobs').optional(),
  attended: yesOrNo('needs you beside it'),
  turns: textField('takes turns within'),
  keepsHours: numberField(
    { label: 'hours of it kept in reserve', unit: 'hours' },
    { min: 0, max: MOST_HOURS_KEPT },
  ),
  meal: textField('meal'),
});

/** Where a piece of a job was put, in minutes from the beginning of the plan. */
const placement = groupField({
  job: ownReferenceField('job', 'jobs'),
  onDay,
  begin: numberField({ label: 'begin', unit: 'minutes' }, { min: 0, max: MOST_JOB_MINUTES }).required(
    'is missing; give its minutes from the beginning of the plan',
  ),
  minutes: minutes('minutes').required('is missing; give its minutes'),
  pinned: yesOrNo('stays where it is'),
});

/** When a supply that is used only where it is needed runs, in minutes from the beginning of the plan. */
const supplyRun = groupField({
  supply: referenceField('supply', 'supplies'),
  begin: numberField({ label: 'begin', unit: 'minutes' }, { min: 0, max: MOST_JOB_MINUTES }).required(
    'is missing; give its minutes from the beginning of the plan',
  ),
  minutes: minutes('minutes').required('is missing; give its minutes'),
});

/** What must get done from one morning to the next, with what the sky and the supplies give meanwhile. */
export const dayFields = groupField({
  id: idField('id'),
  name: nameField('name'),
  date: dateField('date'),
  begins: timeField('begins at'),
  days: numberField({ label: 'days', unit: 'days' }, { min: 1, max: MOST_DAYS }),
  latitude: numberField({ label: 'latitude', unit: 'degrees' }, { min: -90, max: 90 }),
  longitude: numberField({ label: 'longitude', unit: 'degrees' }, { min: -180, max: 180 }),
  hoursFromUtc: numberField(
    { label: 'hours ahead of UTC', unit: 'hours' },
    { min: -HOURS_OF_ZONES, max: HOURS_OF_ZONES },
  ),
  cloudOktas: numberField({ label: 'cloud', unit: 'eighths' }, { min: 0, max: 8 }),
  worstCloudOktas: numberField({ label: 'cloud at worst', unit: 'eighths' }, { min: 0, max: 8 }),
  startPercent: numberField({ label: 'charge at the beginning', unit: '%' }, { min: 0, max: 100 }),
  targetPercent: numberField({ label: 'charge at the end', unit: '%' }, { min: 0, max: 100 }),
  tight: choiceField('tight moments', ['allowed', 'kept-out']).optional(),
  nightFrom: timeField('night from').optional(),
  nightUntil: timeField('night until').optional(),
  supplies: listField('supplies over time', supplyOverTime).optional(),
  drives: listField('charging while driving', drive).optional(),
  jobs: listField('jobs', job),
  plan: listField('plan', placement).optional(),
  supplyRuns: listField('runs of the generator', supplyRun).optional(),
});
