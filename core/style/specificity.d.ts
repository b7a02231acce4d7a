/** The package ships types that its `exports` do not lead to; these are the parts that are used. */
declare module '@bramus/specificity' {
  export default class Specificity {
    static calculate(selector: string): Specificity[];
    get a(): number;
    get b(): number;
    get c(): number;
    selectorString(): string;
  }
}
