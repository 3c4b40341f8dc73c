/** The art of riders under test: a box of 40 px with its pivot in the middle. */
export const BOX_ART = {
  id: 'box',
  name: 'Box',
  kind: 'svg' as const,
  markup: '<svg xmlns="http://www.w3.org/2000/svg"><rect width="40" height="40"/></svg>',
  width: 40,
  height: 40,
  pivot: [20, 20] as const,
  facing: 0,
};
