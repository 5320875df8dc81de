import fc from 'fast-check';

/**
 * `npm test` draws the same cases every time, so that a commit passes or fails alike wherever it is tested. New cases are drawn where there is
 * time for them, a thousand for every property; those with a number of their own keep to that.
 */
fc.configureGlobal(process.env['HEVREL_SOAK'] ? { numRuns: 1000 } : { seed: 20_261_128 });
