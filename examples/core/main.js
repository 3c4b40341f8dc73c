// Reads a scene, says where its riders are, and writes it as a drawing.
import { readFileSync, writeFileSync } from 'node:fs';
import { formatById, memorySink, prepare, QUIET_RUN, readScene, send, textOf } from '@pace-line/core';

const read = readScene(readFileSync(new URL('tea-barrel.paceline.json', import.meta.url), 'utf8'));
if (!read.ok) throw new Error(read.problems[0].message);
const { scene } = read;

const motion = prepare(scene);
const poses = motion.poseAt(motion.length / 4);
scene.riders.forEach(({ name }, i) => console.log(name, poses.of(i, 'x').toFixed(2), poses.of(i, 'y').toFixed(2)));

const format = formatById('animated-svg');
const { sink, files } = memorySink();
await send(scene, format, format.options.parse({}), sink, QUIET_RUN);
writeFileSync(new URL('loop.svg', import.meta.url), textOf(files[0]));
