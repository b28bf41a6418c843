import { createRequire } from 'node:module';

/**
 * Structure for screen readers. pdfmake sets type and lets its PDF library write tags, but writes none itself: what it sets line by line is
 * marked here as the paragraph, heading or picture that it belongs to, and what only decorates as an artifact.
 */

/** What of pdfmake's inside is reached for; held by `setting.test.ts`. */
interface Line {
  /** The text that the line is of. */
  source?: { headlineLevel?: number } | undefined;
}
interface Element {
  add: (content: unknown) => void;
  end: () => void;
}
interface TaggedDocument {
  options: { tagged?: boolean };
  struct: (type: string, options?: { alt?: string }) => Element;
  addStructure: (element: Element) => void;
  markStructureContent: (tag: string) => unknown;
  markContent: (tag: 'Artifact') => void;
  endMarkedContent: () => void;
}
interface Renderer {
  pdfDocument: TaggedDocument;
  /** The text that was set last, and its element, open for its next line. */
  open?: { source: object; element: Element } | undefined;
}
type Method<A extends unknown[]> = (this: Renderer, ...args: A) => unknown;
interface RendererClass {
  prototype: {
    renderPages: Method<[unknown[]]>;
    renderLine: Method<[Line, number, number]>;
    renderSVG: Method<[{ alt?: string }]>;
    renderVector: Method<[unknown]>;
    renderImage: Method<[unknown]>;
    renderWatermark: Method<[unknown]>;
  };
}
interface LayoutBuilderClass {
  prototype: { buildNextLine: (node: object) => Line | null };
}

/** Text at the foot of every page, by its level; said once by the page number that every reader shows. */
export const footLevel = 9;

const require = createRequire(import.meta.url);

/** Has all PDFs of this process written with tags. */
export function writeTags(): void {
  const { default: Renderer } = require('pdfmake/js/Renderer') as { default: RendererClass };
  const { default: LayoutBuilder } = require('pdfmake/js/LayoutBuilder') as {
    default: LayoutBuilderClass;
  };
  const { buildNextLine } = LayoutBuilder.prototype;
  LayoutBuilder.prototype.buildNextLine = function build(node) {
    const line = buildNextLine.call(this, node);
    if (line) line.source = node;
    return line;
  };

  const { prototype } = Renderer;
  const { renderPages, renderLine, renderSVG } = prototype;
  prototype.renderPages = function render(pages) {
    const done = renderPages.call(this, pages);
    close(this);
    return done;
  };
  prototype.renderLine = function render(line, x, y) {
    const { source } = line;
    const draw = () => renderLine.call(this, line, x, y);
    // What is repeated at the head of the next page was said before.
    if (!source || source.headlineLevel === footLevel) return artifact(this, draw);
    if (this.open?.source !== source) {
      close(this);
      this.open = { source, element: begin(this, tagOf(source)) };
    }
    return marked(this, tagOf(source), this.open.element, draw);
  };
  prototype.renderSVG = function render(svg) {
    const draw = () => renderSVG.call(this, svg);
    if (!svg.alt) return artifact(this, draw);
    close(this);
    const element = begin(this, 'Figure', { alt: svg.alt });
    const done = marked(this, 'Figure', element, draw);
    element.end();
    return done;
  };
  for (const name of ['renderVector', 'renderImage', 'renderWatermark'] as const) {
    const render = prototype[name];
    prototype[name] = function draw(item) {
      return artifact(this, () => render.call(this, item));
    };
  }
}

const tagOf = ({ headlineLevel }: { headlineLevel?: number }): string =>
  headlineLevel ? `H${headlineLevel}` : 'P';

function begin({ pdfDocument }: Renderer, tag: string, options = {}): Element {
  const element = pdfDocument.struct(tag, options);
  pdfDocument.addStructure(element);
  return element;
}

function close(renderer: Renderer): void {
  renderer.open?.element.end();
  renderer.open = undefined;
}

function marked({ pdfDocument }: Renderer, tag: string, element: Element, draw: () => unknown) {
  element.add(pdfDocument.markStructureContent(tag));
  const done = draw();
  pdfDocument.endMarkedContent();
  return done;
}

function artifact({ pdfDocument }: Renderer, draw: () => unknown): unknown {
  pdfDocument.markContent('Artifact');
  const done = draw();
  pdfDocument.endMarkedContent();
  return done;
}
