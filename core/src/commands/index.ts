export { addArt, deleteArt, redrawArt, setArt, setPivot } from './art/art.ts';
export { copyThings, pasteThings, type Clip } from './clip/clip.ts';
export { copyKeys, pasteKeys, type KeysClip } from './clip/keys.ts';
export { copyMarks, nodesLost, pasteMarks } from './clip/marks.ts';
export { SceneError, type Command } from './command.ts';
export { reverseGuide, restartGuide, type Reversal } from './guide/direction.ts';
export { centreGuide, centreOf } from './guide/centre.ts';
export { addGuide, addGuides, deleteGuides, moveGuides, setGuide } from './guide/guides.ts';
export { joinGuides } from './guide/joining.ts';
export { addLinked, setLink, unlinkGuide } from './guide/links.ts';
export { setClosed, splitGuide } from './guide/outline.ts';
export { fairGuide, setOutline, simplifyGuide } from './guide/refit.ts';
export { setShape, shapeNodes } from './guide/shapes.ts';
export { transformGuides, transformNodes } from './guide/transform.ts';
export { deleteMarks, insertMark, retimeMark, setDwell, setEase, setPace, timeLocked } from './mark/marks.ts';
export { landAtCorners } from './mark/landings.ts';
export { squashAtMark, squashLandings } from './mark/squash.ts';
export { freezeRecipe, setRecipe } from './mark/recipes.ts';
export { marksAsText, marksFromText, setLegSpeed, setMarks } from './mark/table.ts';
export { shiftMarks, stretchMarks } from './mark/shift.ts';
export { mirrorMarks, reverseMarks } from './mark/turning.ts';
export { pullSpan, straightenSpans } from './node/bend.ts';
export { deleteNodes, insertNode, moveNodes, nameNode, setHandle, setJoin, setNode } from './node/nodes.ts';
export { asShare, pointOfPlace } from './places/places.ts';
export { type Refusal, type RefusalCode } from './refusal.ts';
export { actedMotion, refitActed, rideActed, type Acted, type HandMoment } from './rider/act-out.ts';
export { clockInside, setClockInside } from './rider/carried-clock.ts';
export { carryGuide, carryRider } from './rider/carrying.ts';
export { replaceEntrance } from './rider/entrance.ts';
export { lookedAlong } from './rider/look.ts';
export { setHeading } from './rider/heading.ts';
export { MOVEMENT_PARTS, takeMovement, type MovementPart } from './rider/movement.ts';
export { isLinkedTo } from './rider/linked.ts';
export { stringRider } from './rider/stringing.ts';
export { copiesAlong, type Spread } from './rider/copies.ts';
export { setCycleRoom, slowRider } from './rider/slower.ts';
export {
  deleteKeys,
  keyValueAt,
  neutralKeyOf,
  setKey,
  setKeyEase,
  setKeyValue,
  shiftKeys,
  tieKeys,
} from './key/keys.ts';
export {
  addRider,
  deleteRiders,
  flipRiders,
  moveRiders,
  restackRider,
  setRider,
  type FlipWay,
} from './rider/riders.ts';
export { attachRider, bringGuide, detachRiders, setSeating, type Beginning, type Seating } from './rider/seating.ts';
export { beThere, closesAt, setDown, type SetDown } from './rider/set-down.ts';
export { resizeCanvas, setBackground, type Refit } from './scene/canvas.ts';
export { lengthenLoop } from './scene/lengthen.ts';
export { lastMoment, renameScene, setClock, setDriver, setRoom } from './scene/scene.ts';
export { addSet, deleteSet, dropOutput, isSameOutput, keepOutput, renameSet } from './scene/sets.ts';
export { lostInside, setIn } from './scene/set-in.ts';
export { setCamera } from './scene/camera.ts';
export { rescued } from './scene/rescue.ts';
export { supplyPictures } from './scene/assets.ts';
export { acceptFinding, reopenFinding, setBounds, setClearance } from './scene/checks.ts';
export { addTracing, deleteTracing, setTracing } from './scene/tracing.ts';
export { namedNode } from './settle.ts';
