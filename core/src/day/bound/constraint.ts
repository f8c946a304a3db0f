/** What can be in the way of a plan: charge, what fails at once, what must take turns, and when each job may run. */
export type Constraint = 'battery' | 'limits' | 'turns' | 'windows';
