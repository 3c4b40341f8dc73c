import { areSame, type Figure } from './figure.ts';
import { Drawn } from './shapes.ts';

/** One figure in its layer: it is drawn again only where what it is made of is another. */
export class Painter<Now> {
  readonly #figure: Figure<Now>;
  readonly #layer: SVGElement;
  readonly #drawn: Drawn;
  /** The layer’s own class. */
  readonly #base: string;
  #of: readonly unknown[] | undefined;
  #look = '';
  #style = '';

  /** `inner`: where in the layer its shapes stand. */
  constructor(figure: Figure<Now>, layer: SVGElement, inner: SVGElement = layer) {
    this.#figure = figure;
    this.#layer = layer;
    this.#base = layer.getAttribute('class') ?? '';
    this.#drawn = new Drawn(inner);
  }

  paint(now: Now): void {
    const of = this.#figure.of(now);
    if (areSame(of, this.#of)) return;
    // Kept first: what cannot be drawn is not tried again in each frame.
    this.#of = of;
    const drawing = this.#figure.draw(now);
    const { look = '', style = '' } = drawing ?? {};
    if (look !== this.#look) this.#layer.setAttribute('class', `${this.#base} ${look}`.trim());
    if (style !== this.#style) this.#layer.style.cssText = style;
    this.#look = look;
    this.#style = style;
    this.#drawn.show(drawing?.parts ?? []);
  }
}
