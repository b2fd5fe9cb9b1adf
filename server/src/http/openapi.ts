import { methodFileSchema } from '@oat-crock/contract';
import type Joi from 'joi';
import joiToSwagger from 'joi-to-swagger';
import { OPERATIONS } from './operations.js';

/** The package is CommonJS with a default inside its default. */
const { default: toSwagger } = joiToSwagger as unknown as { default: (schema: Joi.Schema) => { swagger: object } };

/** What may be answered at any address, and to whatever writes. */
const ANYWHERE = {
  '400': 'It cannot be read as it was sent',
  '401': 'Whoever asks was not let in',
  '403': 'Not for the role of this device; or a page of somebody else’s sent it',
  '404': 'There is nothing at this address',
  '413': 'Too much at once',
  '415': 'It is of a type that is not read here',
  '421': 'Asked under a name that this server is not known by',
  '422': 'Refused: a problem document names each field and its remedy',
  '429': 'Too many requests in a minute',
} as const;
const WRITING = {
  '503': 'The data file is held by another program: nothing was written, send it again in a moment',
  '507': 'The disk is full: nothing was written',
} as const;

/** The form of an open method file, as a JSON Schema made from the schema that checks it. */
export const methodFileDocument = (): object => schemaDocument('method file', methodFileSchema);

/** A JSON Schema made from the schema that checks the same thing where it is read. */
export function schemaDocument(name: string, schema: Joi.Schema): object {
  return {
    $schema: 'https://json-schema.org/draft/2020-12/schema',
    title: `Oat Crock ${name}`,
    ...toSwagger(schema).swagger,
  };
}

/** The interface as an OpenAPI document, made from the same schemas that check the requests. */
export function openApiDocument(): object {
  const paths: Record<string, Record<string, object>> = {};
  for (const { path, method, summary, query, body, answers } of OPERATIONS) {
    (paths[path] ??= {})[method] = {
      summary,
      parameters: [...pathParameters(path), ...queryParameters(query)],
      ...(body && {
        requestBody: { required: true, content: { 'application/json': { schema: toSwagger(body).swagger } } },
      }),
      responses: described({ ...ANYWHERE, ...(method !== 'get' && WRITING), ...answers }),
    };
  }
  return {
    openapi: '3.0.3',
    info: { title: 'Oat Crock', version: '1', description: 'The kitchen’s log, larder, clock and instruments.' },
    servers: [{ url: '/api/v1' }],
    paths,
  };
}

const described = (answers: Readonly<Record<string, string>>): object =>
  Object.fromEntries(Object.entries(answers).map(([code, description]) => [code, { description }]));

function pathParameters(path: string): object[] {
  return [...path.matchAll(/\{(\w+)\}/g)].map((m) => ({
    name: m[1],
    in: 'path',
    required: true,
    schema: { type: 'string' },
  }));
}

function queryParameters(query: Joi.ObjectSchema | undefined): object[] {
  if (!query) return [];
  const { properties } = toSwagger(query).swagger as { properties: Record<string, object> };
  return Object.entries(properties).map(([name, schema]) => ({ name, in: 'query', required: false, schema }));
}
