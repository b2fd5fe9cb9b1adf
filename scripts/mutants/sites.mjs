// Places in the engine's sources that can be changed by one token, and what each would become.
import ts from 'typescript';

const { SyntaxKind: K } = ts;

/** Operators and what each is changed to. */
const OPERATORS = new Map([
  [K.LessThanToken, '<='],
  [K.LessThanEqualsToken, '<'],
  [K.GreaterThanToken, '>='],
  [K.GreaterThanEqualsToken, '>'],
  [K.EqualsEqualsEqualsToken, '!=='],
  [K.ExclamationEqualsEqualsToken, '==='],
  [K.PlusToken, '-'],
  [K.MinusToken, '+'],
  [K.AsteriskToken, '/'],
  [K.SlashToken, '*'],
  [K.AmpersandAmpersandToken, '||'],
  [K.BarBarToken, '&&'],
]);
const CALLS = { 'Math.max': 'Math.min', 'Math.min': 'Math.max' };

/** A number changed by so much is another limit; nought and one are changed to each other's neighbour. */
function otherNumber(text) {
  const value = Number(text);
  if (value === 0) return '1';
  if (value === 1) return '2';
  return String(Number((value * 1.3).toPrecision(12)));
}

/** Joining texts is no arithmetic. */
const isText = (node) =>
  ts.isStringLiteralLike(node) ||
  ts.isTemplateExpression(node) ||
  (ts.isBinaryExpression(node) && (isText(node.left) || isText(node.right)));

/** How a node would be written otherwise, `render` giving the text of its parts; null where it is no site. */
function otherwise(node, source) {
  if (ts.isNumericLiteral(node)) {
    const { parent } = node;
    const isName = ts.isPropertyAssignment(parent) && parent.name === node;
    if (isName || ts.isLiteralTypeNode(parent) || ts.isEnumMember(parent)) return null;
    return { was: node.text, becomes: otherNumber(node.text), write: () => otherNumber(node.text) };
  }
  if (ts.isBinaryExpression(node)) {
    const other = OPERATORS.get(node.operatorToken.kind);
    if (!other || isText(node)) return null;
    const write = (render) => `${render(node.left)} ${other} ${render(node.right)}`;
    return { was: node.operatorToken.getText(source), becomes: other, write };
  }
  if (ts.isConditionalExpression(node)) {
    const write = (render) => `(${render(node.condition)}) ? (${render(node.whenFalse)}) : (${render(node.whenTrue)})`;
    return { was: '? a : b', becomes: '? b : a', write };
  }
  if (ts.isPrefixUnaryExpression(node) && node.operator === K.ExclamationToken) {
    return { was: '!', becomes: '', write: (render) => render(node.operand) };
  }
  if ((node.kind === K.TrueKeyword || node.kind === K.FalseKeyword) && !ts.isLiteralTypeNode(node.parent)) {
    const becomes = node.kind === K.TrueKeyword ? 'false' : 'true';
    return { was: node.getText(source), becomes, write: () => becomes };
  }
  if (ts.isCallExpression(node)) {
    const called = node.expression.getText(source);
    const other = CALLS[called];
    if (!other) return null;
    return { was: called, becomes: other, write: (render) => `${other}(${node.arguments.map(render).join(', ')})` };
  }
  return null;
}

/** True where a node is of types alone, which are gone at run time. */
const isOfTypes = (node) => ts.isTypeNode(node) || ts.isInterfaceDeclaration(node) || ts.isTypeAliasDeclaration(node);

/** Every site of a file: [{ line, text, was, becomes, node, write }]; `text` is its line without indentation. */
export function sitesOf(path, text) {
  const source = ts.createSourceFile(path, text, ts.ScriptTarget.Latest, true);
  const sites = [];
  const lines = text.split('\n');
  const visit = (node) => {
    if (isOfTypes(node)) return;
    const found = otherwise(node, source);
    if (found) {
      const { line } = source.getLineAndCharacterOfPosition(node.getStart());
      sites.push({ ...found, path, node, line: line + 1, text: lines[line].trim() });
    }
    ts.forEachChild(node, visit);
  };
  visit(source);
  return { source, sites };
}

/** A file's text in which each chosen site asks whether it is the one to be changed: [[site, id]]. */
export function withSwitches(source, chosen) {
  const idOf = new Map(chosen.map(([site, id]) => [site.node, [site, id]]));
  const text = source.text;
  const render = (node) => {
    const inner = plain(node);
    const found = idOf.get(node);
    if (!found) return inner;
    const [site, id] = found;
    return `(globalThis.__mutant(${id}) ? (${site.write(render)}) : (${inner}))`;
  };
  const plain = (node) => {
    let out = '';
    let at = node.getStart(source);
    ts.forEachChild(node, (child) => {
      const from = child.getStart(source);
      if (from < at) return;
      out += text.slice(at, from) + render(child);
      at = child.getEnd();
    });
    return out + text.slice(at, node.getEnd());
  };
  return text.slice(0, source.getStart(source)) + plain(source) + text.slice(source.getEnd());
}
