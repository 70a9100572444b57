/** Input that the user can mend: ends the program with exit 2 and this one line. */
export class BadInput extends Error {}
