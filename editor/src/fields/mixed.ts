import { createContext, use } from 'react';

/** Whether a field stands for several things that differ in it: then it shows that, and what is entered is for all of them. */
export const MixedContext = createContext(false);

export const useMixed = (): boolean => use(MixedContext);

/** What a field shows where it stands for several things that differ. */
export const MIXED = 'mixed';
