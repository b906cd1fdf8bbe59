import { jointList, wireJoints, wirePicture } from '@jade/core/loom';
import type { JobContext } from '@jade/core/job';
import { facesOnPaper, pictureLanes, type FacesOnPaper, type PictureLane } from '@jade/words/drawing';
import { namesOf } from '@jade/words/names';
import { sayJointLine, sayLoad, sayProtection, type JointRow } from '@jade/words/wiring';

/** What the papers of a job's wiring say: its picture, its circuits, the faces of its joints and the joints by work place. */
export interface HarnessContent {
  lanes: PictureLane[];
  circuits: { name: string; guard: string; says: string }[];
  faces: FacesOnPaper[];
  joints: JointRow[];
  /** Joints that opened insulation and are to be looked at again. */
  bared: JointRow[];
}

/** Puts the wiring of a job into words. */
export function harnessContent(context: JobContext): HarnessContent {
  const names = namesOf(context);
  const lanes = wirePicture(context);
  const lines = jointList(context);
  const said = (list: typeof lines) => list.map((line) => sayJointLine(line, names));
  return {
    lanes: pictureLanes(lanes),
    circuits: lanes.map(({ load }) => ({ name: load.circuit.name, guard: sayProtection(load.circuit), says: sayLoad(load.check) })),
    faces: wireJoints(context).map((joint) => facesOnPaper(joint, context.state.jointChecked[`${joint.kit.slug}/${joint.connection.id}`])),
    joints: said(lines),
    bared: said(lines.filter((line) => line.bared)),
  };
}
