import { z } from 'zod';

// Without this the library would try, once, to make code of schemas, which the pages' policy forbids: every load would be reported. Every schema is made after it.
z.config({ jitless: true });

export { z };
