/** The schemas of what is answered: read from the types of contracts; parts of the open formats by their own schema. */
import {
  AliasType,
  AnyType,
  DefinitionType,
  SchemaGenerator,
  createFormatter,
  createParser,
  createProgram,
} from 'ts-json-schema-generator';
import type { BaseType, CompletedConfig, Context, SubNodeParser } from 'ts-json-schema-generator';
import ts from 'typescript';
import { REFERENCE } from './body-schemas';

type Json = Readonly<Record<string, unknown>>;

/** What a shape's type is inferred from cannot be read from its source: it is named here, and its own schema put in. */
export type FormatSchemas = Readonly<Record<string, Json>>;

const PREFIX = 'format.';
/** Of a list: what stands in it. */
const ITEM = 'item';

/** A type of the open format, whole or one field of it: `Case`, `Judgement['decision']`. */
class FormatType implements SubNodeParser {
  constructor(private readonly formats: FormatSchemas) {}

  supportsNode(node: ts.Node): boolean {
    return this.#nameOf(node) !== null;
  }
  createType(node: ts.Node, _context: Context): BaseType {
    const name = PREFIX + this.#nameOf(node)!;
    return new DefinitionType(name, new AliasType(name, new AnyType()));
  }

  #nameOf(node: ts.Node): string | null {
    if (ts.isTypeReferenceNode(node)) {
      const { typeName } = node;
      return ts.isIdentifier(typeName) && typeName.text in this.formats ? typeName.text : null;
    }
    if (!ts.isIndexedAccessTypeNode(node)) return null;
    const whole = this.#nameOf(node.objectType);
    if (whole === null) return null;
    const { indexType } = node;
    if (indexType.kind === ts.SyntaxKind.NumberKeyword) return `${whole}.${ITEM}`;
    const field = ts.isLiteralTypeNode(indexType) ? indexType.literal : null;
    return field && ts.isStringLiteral(field) ? `${whole}.${field.text}` : null;
  }
}

/** The schema of a format, or of a field of it. */
function formatSchema(formats: FormatSchemas, name: string): Json {
  const [whole = '', ...fields] = name.split('.');
  return fields.reduce<Json>((schema, field) => {
    const inner =
      field === ITEM
        ? (schema['items'] as Json | undefined)
        : (schema['properties'] as Record<string, Json> | undefined)?.[field];
    if (!inner) throw new Error(`${whole} has no field ${field} in its schema`);
    return inner;
  }, formats[whole]!);
}

/**
 * @param names Types that `contracts` exports.
 * @param formats The schemas of the open formats, by the name of their type.
 */
export function answerSchemas(names: readonly string[], formats: FormatSchemas): Readonly<Record<string, Json>> {
  const config = {
    path: 'contracts/src/index.ts',
    tsconfig: 'tsconfig.json',
    type: '*',
    schemaId: '',
    expose: 'export',
    topRef: true,
    jsDoc: 'basic',
    markdownDescription: false,
    fullDescription: false,
    sortProps: false,
    strictTuples: false,
    skipTypeCheck: true,
    encodeRefs: false,
    minify: false,
    extraTags: [],
    additionalProperties: true,
    discriminatorType: 'json-schema',
    functions: 'fail',
  } as const satisfies Partial<CompletedConfig>;
  const program = createProgram(config);
  const parser = createParser(program, config, (chain) => void chain.addNodeParser(new FormatType(formats)));
  const generator = new SchemaGenerator(program, parser, createFormatter(config), config);
  const found: Record<string, Json> = {};
  for (const name of names) {
    const { definitions = {} } = schemaOf(generator, name);
    for (const [own, schema] of Object.entries(definitions))
      found[own] = own.startsWith(PREFIX) ? formatSchema(formats, own.slice(PREFIX.length)) : schema;
  }
  return asDraft2020(JSON.parse(JSON.stringify(found).replaceAll('"#/definitions/', `"${REFERENCE}`))) as Record<
    string,
    Json
  >;
}

/** The generator writes draft 7: what stands in a tuple is told by another word since. */
function asDraft2020(schema: unknown): unknown {
  if (Array.isArray(schema)) return schema.map(asDraft2020);
  if (typeof schema !== 'object' || schema === null) return schema;
  const { items, ...others } = schema as Json;
  const rest = Object.fromEntries(Object.entries(others).map(([key, value]) => [key, asDraft2020(value)]));
  if (items === undefined) return rest;
  return { ...rest, [Array.isArray(items) ? 'prefixItems' : 'items']: asDraft2020(items) };
}

/** @throws Error that says which type could not be read, and why. */
function schemaOf(generator: SchemaGenerator, name: string): { readonly definitions?: Record<string, Json> } {
  try {
    return generator.createSchema(name) as { definitions?: Record<string, Json> };
  } catch (error) {
    throw new Error(`the type ${name} cannot be read: ${error instanceof Error ? error.message : String(error)}`);
  }
}
