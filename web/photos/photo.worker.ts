import { answerAll } from '../workers/beside.ts';
import type { Prepared } from './prepare.ts';
import { makeReady } from './ready.ts';

// One after the other: each holds a whole picture.
answerAll<Blob, Prepared>(makeReady, (ready) => ('fault' in ready ? [] : [ready.picture.bytes, ready.small.bytes]));
