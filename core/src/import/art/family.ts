/** A family's name as names are compared: in lower case, without spaces and dashes, which files and drawings set as they like. */
export const bareFamily = (name: string): string => name.toLowerCase().replace(/[\s_-]+/g, '');
