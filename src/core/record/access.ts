/** What a station may do: cook, lead, learn, or read the record and nothing else. */
export const ACCESS = ['line', 'lead', 'trainee', 'inspector'] as const;
export type Access = (typeof ACCESS)[number];
