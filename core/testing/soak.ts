import fc from 'fast-check';

/** Every property at a thousand runs, where there is time for it; those with a number of their own keep to that. */
if (process.env['HEVREL_SOAK']) fc.configureGlobal({ numRuns: 1000 });
