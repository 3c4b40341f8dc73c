/** Tells what is wrong in a scene, and where. */
export type TellIssue = (path: (string | number)[], message: string) => void;
