/** Something the person who typed the command can mend; the message is all that is printed. */
export class Said extends Error {}
