/** What a field means, where to find it, and what it decides. */
export type FieldHelpEntry = readonly [means: string, where: string, decides: string];

/** Entries of help by the place of the field. */
export type FieldHelpEntries = Readonly<Record<string, FieldHelpEntry>>;
