/** The examples of CommonMark's specification, by its editors. */
declare module 'commonmark-spec' {
  export const tests: { markdown: string; html: string; section: string; number: number }[];
}
