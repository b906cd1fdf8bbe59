import { answerAll } from './beside.ts';
import { worthAsking, type ToJudge, type WorthAsking } from './judging.ts';

answerAll<ToJudge, WorthAsking>(worthAsking);
