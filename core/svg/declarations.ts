import { type CssNode, generate, type List, parse } from 'css-tree';

/** A property set to a value. */
export interface Declaration {
  readonly property: string;
  readonly value: string;
  readonly important: boolean;
}

/** The declarations of a `style` attribute; what is no declaration is left out, as CSS says. */
export function declarationsIn(style: string): Declaration[] {
  const list = parse(style, { context: 'declarationList', parseValue: false });
  return list.type === 'DeclarationList' ? readDeclarations(list.children) : [];
}

/** The declarations among parsed nodes. */
export function readDeclarations(nodes: List<CssNode>): Declaration[] {
  const found: Declaration[] = [];
  nodes.forEach((node) => {
    if (node.type !== 'Declaration') return;
    // Names of variables are taken as they are written.
    const property = node.property.startsWith('--') ? node.property : node.property.toLowerCase();
    found.push({ property, value: generate(node.value).trim(), important: node.important !== false });
  });
  return found;
}
