import { z } from 'zod';
import { answerRequest, answerResponse } from '@/contracts/answer';
import { CRIB_INPUT, cribImport, inUseChange, shopChange } from '@/contracts/crib';
import { jobChange, jobInput } from '@/contracts/job';
import { operationsQuery, operationsResponse } from '@/contracts/operations';
import { partFile } from '@/contracts/part-file';
import { problemDocument } from '@/contracts/problem';
import { punchMarkInput, tickInput } from '@/contracts/punch';
import { drillQuery, threadQuery } from './catalogue';

const schema = (s: z.ZodType, io: 'input' | 'output' = 'output') => {
  const { $schema: _, ...rest } = z.toJSONSchema(s, { io });
  return rest;
};
const ref = (name: string) => ({ $ref: `#/components/schemas/${name}` });
const content = (name: string) => ({ 'application/json': { schema: ref(name) } });
const problem = (description: string) => ({
  description,
  content: { 'application/problem+json': { schema: ref('Problem') } },
});
const listOf = (description: string) => ({
  description,
  content: { 'application/json': { schema: { type: 'object', additionalProperties: true } } },
});
const PROBLEMS = {
  '400': problem('Not JSON'),
  '403': problem('A page of another origin sent this'),
  '413': problem('Body too large'),
  '415': problem('Not application/json'),
  '422': problem('A field is wrong, or the question is impossible or dangerous; errors name the fields'),
};
const id = { name: 'id', in: 'path', required: true, schema: { type: 'string' } };
const cribKind = { ...id, name: 'kind', schema: { enum: Object.keys(CRIB_INPUT) } };
const query = (s: z.ZodObject) =>
  Object.entries(s.shape).map(([name, shape]) => ({
    name,
    in: 'query',
    required: false,
    schema: schema(shape as z.ZodType, 'input'),
  }));
const writing = (summary: string, body: string | undefined, done: Record<string, unknown>) => ({
  summary,
  ...(body ? { requestBody: { required: true, content: content(body) } } : {}),
  responses: { ...done, ...PROBLEMS },
});
const jobDone = { '200': { description: 'The job', content: content('Job') } };
const jobMissing = { '404': problem('No such job') };
const conflict = { '409': problem('Changed meanwhile; `partial` is the job as it is now') };

/** The HTTP interface as an OpenAPI 3.1 document, generated from the schemas that check the requests. */
export function openApiDocument() {
  return {
    openapi: '3.1.0',
    info: {
      title: 'Jolly Bit',
      version: '1',
      description:
        'Tap drill, speed, depth and way of tapping for a hole, and the jobs that keep them. Units stand in the names.',
    },
    paths: {
      '/api/v1/answer': {
        post: writing('Answer one tapped hole', 'AnswerRequest', {
          '200': { description: 'The whole answer', content: content('Answer') },
        }),
      },
      '/api/v1/threads': {
        get: {
          summary: 'Threads known',
          parameters: query(threadQuery),
          responses: { '200': listOf('threads'), '422': PROBLEMS['422'] },
        },
      },
      '/api/v1/materials': { get: { summary: 'Work materials', responses: { '200': listOf('materials') } } },
      '/api/v1/drills': {
        get: {
          summary: 'Drill sets and the crib',
          parameters: query(drillQuery),
          responses: { '200': listOf('sets'), '422': PROBLEMS['422'] },
        },
      },
      '/api/v1/machines': { get: { summary: 'Machines in use', responses: { '200': listOf('machines') } } },
      '/api/v1/jobs': {
        get: { summary: 'Jobs kept', responses: { '200': listOf('jobs') } },
        post: writing('Keep a job', 'JobInput', {
          '201': { description: 'Kept', content: content('Job') },
          '409': problem('The id is taken'),
        }),
      },
      '/api/v1/jobs/{id}': {
        parameters: [id],
        get: { summary: 'One job', responses: { ...jobDone, ...jobMissing } },
        put: writing('Change a job', 'JobChange', { ...jobDone, ...jobMissing, ...conflict }),
        delete: writing('Delete a job; restore undoes it', undefined, {
          '204': { description: 'Deleted' },
          ...jobMissing,
        }),
      },
      '/api/v1/jobs/{id}/restore': {
        parameters: [id],
        post: writing('Bring a deleted job back', undefined, { ...jobDone, ...jobMissing }),
      },
      '/api/v1/jobs/{id}/duplicate': {
        parameters: [id],
        post: writing('Copy a job', undefined, {
          '201': { description: 'The copy', content: content('Job') },
          ...jobMissing,
        }),
      },
      '/api/v1/jobs/{id}/punch-marks': {
        parameters: [id],
        get: { summary: 'Punch marks of a job, as recorded', responses: { '200': listOf('marks'), ...jobMissing } },
        post: writing('Append a punch mark; sent twice it stands once', 'PunchMark', {
          '201': listOf('marks'),
          ...jobMissing,
        }),
      },
      '/api/v1/jobs/{id}/operations': {
        parameters: [id],
        get: {
          summary: 'How each feature is made, operation by operation',
          parameters: query(operationsQuery),
          responses: {
            '200': { description: 'Operations by feature', content: content('Operations') },
            ...jobMissing,
            '422': PROBLEMS['422'],
          },
        },
      },
      '/api/v1/jobs/{id}/ticks': {
        parameters: [id],
        get: {
          summary: 'Lines of the layout sheets that are scribed',
          responses: { '200': listOf('ticks'), ...jobMissing },
        },
        put: writing('Tick a line, or take the tick off', 'Tick', { '200': listOf('ticks'), ...jobMissing }),
      },
      '/api/v1/crib/{kind}': {
        parameters: [cribKind],
        post: writing('Add an entry', 'CribItem', {
          '201': listOf('id and version'),
          '409': problem('The id is taken'),
          '404': problem('No such kind, or no such case'),
        }),
      },
      '/api/v1/crib/import': {
        post: writing('Add or change drills and tools, all or none', 'CribImport', {
          '204': { description: 'Done' },
          '404': problem('A drill names no case'),
        }),
      },
      '/api/v1/crib/{kind}/{id}': {
        parameters: [cribKind, id],
        put: writing('Change an entry; the body is the whole of it and its version', 'CribChange', {
          '204': { description: 'Changed' },
          ...conflict,
          '404': problem('Not in the crib'),
        }),
        delete: {
          summary: 'Take an entry out; adding it again undoes that',
          parameters: [{ name: 'version', in: 'query', required: true, schema: { type: 'integer' } }],
          responses: {
            '204': { description: 'Gone' },
            ...conflict,
            '404': problem('Not in the crib'),
            '422': PROBLEMS['422'],
          },
        },
        patch: writing('Put a machine or drill case in or out of use', 'InUseChange', {
          '204': { description: 'Done' },
          ...conflict,
          '404': problem('Not in the crib'),
        }),
      },
      '/api/v1/shop': {
        put: writing("Change the shop's habits", 'ShopChange', { '204': { description: 'Done' }, ...conflict }),
      },
    },
    components: {
      schemas: {
        AnswerRequest: schema(answerRequest, 'input'),
        Answer: schema(answerResponse),
        Problem: schema(problemDocument),
        JobInput: schema(jobInput, 'input'),
        JobChange: schema(jobChange, 'input'),
        Job: schema(jobChange.extend({ createdAt: z.string(), updatedAt: z.string() })),
        CribItem: { anyOf: Object.values(CRIB_INPUT).map((s) => schema(s, 'input')) },
        CribChange: {
          allOf: [
            ref('CribItem'),
            { type: 'object', properties: { version: { type: 'integer' } }, required: ['version'] },
          ],
        },
        CribImport: schema(cribImport, 'input'),
        InUseChange: schema(inUseChange, 'input'),
        Operations: schema(operationsResponse),
        Tick: schema(tickInput, 'input'),
        PunchMark: schema(punchMarkInput, 'input'),
        PartFile: schema(partFile, 'input'),
        ShopChange: schema(shopChange, 'input'),
      },
    },
  };
}
