import { jobOpened } from './job-opened.ts';
import { jobRepinned } from './job-repinned.ts';
import { jobAssigned } from './job-assigned.ts';
import { promiseMade } from './promise.ts';
import { bayTaken } from './bay.ts';
import { wishWritten } from './wish.ts';
import { noteWritten } from './note.ts';
import { kitAdded, kitDropped } from './kit-order.ts';
import { jobCancelled } from './job-cancelled.ts';
import { workPaused, workResumed } from './pause.ts';
import { nightLeft, nightOver } from './night.ts';
import { exceptionNamed } from './exception.ts';
import { jobSigned, jobReopened } from './sign-off.ts';
import { customerSigned } from './customer-signed.ts';
import { undone } from './undone.ts';

export const ITSELF = {
  'job.opened': jobOpened,
  'job.repinned': jobRepinned,
  'job.assigned': jobAssigned,
  'promise.made': promiseMade,
  'bay.taken': bayTaken,
  'wish.written': wishWritten,
  'note.written': noteWritten,
  'kit.added': kitAdded,
  'kit.dropped': kitDropped,
  'job.cancelled': jobCancelled,
  'work.paused': workPaused,
  'work.resumed': workResumed,
  'night.left': nightLeft,
  'night.over': nightOver,
  'exception.named': exceptionNamed,
  'job.signed': jobSigned,
  'job.reopened': jobReopened,
  'customer.signed': customerSigned,
  undone: undone,
} as const;
