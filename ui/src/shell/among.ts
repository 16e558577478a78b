/** among is the class that a sheet has for a word that is only known when it is drawn, such as how a place fits; none where it has none. */
export const among = (sheet: object, word: string): string => (sheet as Record<string, string>)[word] ?? "";
