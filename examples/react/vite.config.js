import paceLine from '@pace-line/vite';

export default { base: './', plugins: [paceLine({ types: 'loops.d.ts' })] };
