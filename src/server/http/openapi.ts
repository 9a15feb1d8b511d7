import { z } from 'zod';
import { answerRequest, answerResponse } from '@/contracts/answer';
import { cribAdded, drillCatalogue, machineCatalogue, materialCatalogue, threadCatalogue } from '@/contracts/catalogue';
import {
  CRIB_INPUT,
  cribImport,
  drillMarks,
  inUseChange,
  missingDrill,
  sampleOut,
  shopChange,
  versionField,
} from '@/contracts/crib';
import { jobDocument, jobInput, jobPage, jobQuery, jobReplacement } from '@/contracts/job';
import { featureChange, jobPatch, patchReceipt } from '@/contracts/job-change';
import { instrumentLine, instrumentPassed } from '@/contracts/instrument';
import { operationsQuery, operationsResponse } from '@/contracts/operations';
import { partFile } from '@/contracts/part-file';
import { problemDocument } from '@/contracts/problem';
import { copyList } from '@/contracts/backup';
import { accessChange, sessionState, signedIn, signIn } from '@/contracts/session';
import { asideChange, learnedPage, readingsPage, readingsQuery, toolsPage } from '@/contracts/learned';
import { logPage, logQuery } from '@/contracts/log';
import { rehearsalRequest, rehearsalResult } from '@/contracts/rehearsal';
import {
  assignment,
  assignmentList,
  practisedBatch,
  practisedList,
  practisedQuery,
  practisedReceipt,
} from '@/contracts/practice';
import { searchQuery, searchResult } from '@/contracts/search';
import { recordBatch, recordInput, recordList, recordQuery, recordReceipt } from '@/contracts/record';
import { routeIssue, routeIssueList, routeIssueRequest, routeIssueWhole } from '@/contracts/route-issue';
import { tapLoadRequest, tapLoadResponse } from '@/contracts/tap-load';
import { wayState } from '@/contracts/way';
import { drillQuery, threadQuery } from './catalogue';

const cribItem = z.union(Object.values(CRIB_INPUT));
const cribChange = z.union(Object.values(CRIB_INPUT).map((s) => z.strictObject({ ...s.shape, ...versionField.shape })));

/** Every schema that the document names. */
const INPUTS = {
  AnswerRequest: answerRequest,
  TapLoadRequest: tapLoadRequest,
  RouteIssueRequest: routeIssueRequest,
  RehearsalRequest: rehearsalRequest,
  JobInput: jobInput,
  JobReplacement: jobReplacement,
  JobPatch: jobPatch,
  FeatureChange: featureChange,
  RecordBatch: recordBatch,
  RecordInput: recordInput,
  InstrumentLine: instrumentLine,
  CribItem: cribItem,
  CribChange: cribChange,
  CribImport: cribImport,
  MissingDrill: missingDrill,
  InUseChange: inUseChange,
  ShopChange: shopChange,
  PartFile: partFile,
  SignIn: signIn,
  AccessChange: accessChange,
  AsideChange: asideChange,
  PractisedBatch: practisedBatch,
  Assignment: assignment,
} as const;
const OUTPUTS = {
  Answer: answerResponse,
  TapLoad: tapLoadResponse,
  Routes: routeIssueList,
  Rehearsal: rehearsalResult,
  Practised: practisedList,
  PractisedReceipt: practisedReceipt,
  Assignments: assignmentList,
  RouteIssue: routeIssue,
  FrozenRoute: routeIssueWhole,
  Problem: problemDocument,
  Job: jobDocument,
  JobPage: jobPage,
  PatchReceipt: patchReceipt,
  Operations: operationsResponse,
  Records: recordList,
  RecordReceipt: recordReceipt,
  InstrumentPassed: instrumentPassed,
  Threads: threadCatalogue,
  Drills: drillCatalogue,
  Materials: materialCatalogue,
  Machines: machineCatalogue,
  CribAdded: cribAdded,
  DrillMarks: drillMarks,
  SampleOut: sampleOut,
  Session: sessionState,
  SignedIn: signedIn,
  Copies: copyList,
  Found: searchResult,
  LogPage: logPage,
  Learned: learnedPage,
  Readings: readingsPage,
  Tools: toolsPage,
  Way: wayState,
} as const;

interface Described {
  summary: string;
  query?: z.ZodObject;
  body?: keyof typeof INPUTS;
  /** Status and what it answers with; null for no body. */
  done: [status: number, schema: keyof typeof OUTPUTS | null, description: string];
  /** Statuses of refusals beside those that every operation may answer. */
  refused?: Partial<Record<number, string>>;
}
type Method = 'get' | 'post' | 'put' | 'patch' | 'delete';

const NO_JOB = { 404: 'No such job' };
const CONFLICT = { 409: 'Changed elsewhere; `partial` is the job as it is now' };
const NOT_IN_CRIB = { 404: 'Not in the crib' };
const NO_FILE = { 422: 'The data is no file here' };
const OLD_VERSION = { 409: 'Changed elsewhere: the version is old' };

/** Every operation of the interface. */
const PATHS: Record<string, Partial<Record<Method, Described>>> = {
  '/api/v1/answer': {
    post: { summary: 'Answer one hole', body: 'AnswerRequest', done: [200, 'Answer', 'The whole answer'] },
  },
  '/api/v1/tap-load': {
    post: { summary: 'What one tap in one hole takes', body: 'TapLoadRequest', done: [200, 'TapLoad', 'Its load'] },
  },
  '/api/v1/threads': {
    get: { summary: 'Threads in the list', query: threadQuery, done: [200, 'Threads', 'Threads with their limits'] },
  },
  '/api/v1/materials': { get: { summary: 'Work materials', done: [200, 'Materials', 'Materials'] } },
  '/api/v1/drills': {
    get: { summary: 'Drill sets and the crib', query: drillQuery, done: [200, 'Drills', 'Sets with their drills'] },
  },
  '/api/v1/machines': { get: { summary: 'Machines in use', done: [200, 'Machines', 'Machines'] } },
  '/api/v1/search': {
    get: {
      summary: 'Jobs, holes, materials, tools and machines by what people call them; a callout is answered',
      query: searchQuery,
      done: [200, 'Found', 'What was found'],
    },
  },
  '/api/v1/log': {
    get: {
      summary: 'What happened in the shop, what arrived last first, a page at a time',
      query: logQuery,
      done: [200, 'LogPage', 'A page'],
    },
  },
  '/api/v1/learned': {
    get: {
      summary: 'What the shop has learned of its own work, and what that changes in open jobs',
      done: [200, 'Learned', 'Figure by figure'],
    },
  },
  '/api/v1/learned/readings': {
    get: {
      summary: 'The readings of one level of a figure, in order, with their own limits and signals',
      query: readingsQuery,
      done: [200, 'Readings', 'The readings'],
    },
  },
  '/api/v1/learned/aside': {
    put: {
      summary: 'Leave a record, a figure or a level of one out of what is learned, or take it in again',
      body: 'AsideChange',
      done: [204, null, 'Done'],
    },
  },
  '/api/v1/practice': {
    get: { summary: 'Exercises as they were done', query: practisedQuery, done: [200, 'Practised', 'In their order'] },
    post: {
      summary: 'Append exercises that were done; the same one sent again counts once',
      body: 'PractisedBatch',
      done: [200, 'PractisedReceipt', 'What was taken, and what was here already'],
    },
  },
  '/api/v1/practice/names/{name}': {
    delete: { summary: 'Take a name away with all that was done under it', done: [204, null, 'Gone'] },
  },
  '/api/v1/practice/assignments': {
    get: { summary: 'What is set for the class', done: [200, 'Assignments', 'The newest first'] },
    put: {
      summary: 'Set exercises for some names or everybody, by a day; about the holes of a job where one is named',
      body: 'Assignment',
      done: [204, null, 'Set'],
      refused: NO_JOB,
    },
  },
  '/api/v1/practice/assignments/{id}': {
    delete: { summary: 'Take back what was set', done: [204, null, 'Gone'] },
  },
  '/api/v1/tools': {
    get: { summary: 'Drills and taps that have worked, with what is left of them', done: [200, 'Tools', 'The tools'] },
  },
  '/api/v1/jobs': {
    get: { summary: 'Jobs, newest change first, a page at a time', query: jobQuery, done: [200, 'JobPage', 'A page'] },
    post: {
      summary: 'Create a job; the same one sent again is a success',
      body: 'JobInput',
      done: [201, 'Job', 'The job'],
      refused: { 409: 'Another job has this id' },
    },
  },
  '/api/v1/jobs/{id}': {
    get: { summary: 'One job; If-None-Match takes its version', done: [200, 'Job', 'The job'], refused: NO_JOB },
    put: {
      summary: 'Replace a job whole, made from its version',
      body: 'JobReplacement',
      done: [200, 'Job', 'The job'],
      refused: { ...NO_JOB, ...CONFLICT },
    },
    patch: {
      summary: 'Change a job field by field, all or none; what touches other fields than others did is merged',
      body: 'JobPatch',
      done: [200, 'PatchReceipt', 'Versions and letters now'],
      refused: { ...NO_JOB, ...CONFLICT },
    },
    delete: { summary: 'Delete a job; restore undoes it', done: [204, null, 'Deleted'], refused: NO_JOB },
  },
  '/api/v1/jobs/{id}/restore': {
    post: { summary: 'Restore a deleted job', done: [200, 'Job', 'The job'], refused: NO_JOB },
  },
  '/api/v1/jobs/{id}/duplicate': {
    post: { summary: 'Copy a job', done: [201, 'Job', 'The copy'], refused: NO_JOB },
  },
  '/api/v1/jobs/{id}/features/{featureId}': {
    patch: {
      summary: 'Change one feature',
      body: 'FeatureChange',
      done: [200, 'PatchReceipt', 'Versions now'],
      refused: { ...NO_JOB, ...CONFLICT },
    },
    delete: {
      summary: 'Remove a feature; adding it again brings it back with its letter',
      query: versionField,
      done: [200, 'PatchReceipt', 'Versions now'],
      refused: { ...NO_JOB, ...CONFLICT },
    },
  },
  '/api/v1/jobs/{id}/operations': {
    get: {
      summary: 'How each feature is made, operation by operation',
      query: operationsQuery,
      done: [200, 'Operations', 'Operations by feature'],
      refused: NO_JOB,
    },
  },
  '/api/v1/jobs/{id}/way': {
    get: { summary: 'How far a job is, view by view', done: [200, 'Way', 'How far it is'], refused: NO_JOB },
  },
  '/api/v1/jobs/{id}/routes': {
    get: { summary: 'Issued routes of a job, newest first', done: [200, 'Routes', 'Issues'], refused: NO_JOB },
    post: {
      summary: 'Issue the route of a job as it is now: frozen, under the next number',
      body: 'RouteIssueRequest',
      done: [201, 'RouteIssue', 'The issue; the same one sent again is the same'],
      refused: { ...NO_JOB, 409: 'The job was changed since it was looked at' },
    },
  },
  '/api/v1/jobs/{id}/rehearsal': {
    post: {
      summary: 'How a job would come out: made many times from the estimates and readings of the shop',
      body: 'RehearsalRequest',
      done: [200, 'Rehearsal', 'What came of it; the same seed gives the same'],
      refused: {
        ...NO_JOB,
        422: 'The job can’t be planned, or has too many holes',
        429: 'Another job is being rehearsed',
        503: 'Takes too long, or cancelled',
      },
    },
  },
  '/api/v1/jobs/{id}/routes/{number}': {
    get: {
      summary: 'One issued route, whole',
      done: [200, 'FrozenRoute', 'The route'],
      refused: { 404: 'No such route' },
    },
  },
  '/api/v1/jobs/{id}/records': {
    get: {
      summary: 'What happened at a job, in its order',
      query: recordQuery,
      done: [200, 'Records', 'Records'],
      refused: NO_JOB,
    },
  },
  '/api/v1/records': {
    post: {
      summary: 'Append records; the same one sent again counts once',
      body: 'RecordBatch',
      done: [200, 'RecordReceipt', 'What was recorded, was here already, and could not be recorded'],
    },
  },
  '/api/v1/instruments': {
    post: {
      summary: 'Pass a reading of an instrument on; a GET of the same address listens, by server-sent events',
      body: 'InstrumentLine',
      done: [200, 'InstrumentPassed', 'Passed on'],
    },
  },
  '/api/v1/crib/{kind}': {
    post: {
      summary: 'Add an entry',
      body: 'CribItem',
      done: [201, 'CribAdded', 'Added'],
      refused: { 404: 'No such kind, or no such case', 409: 'The id is in use' },
    },
  },
  '/api/v1/crib/missing': {
    post: {
      summary: 'Mark a size of drill as missing, or undo that',
      body: 'MissingDrill',
      done: [200, 'DrillMarks', 'What was marked, as it was before'],
    },
  },
  '/api/v1/crib/import': {
    post: {
      summary: 'Add or change drills, tools and taps, all or none',
      body: 'CribImport',
      done: [204, null, 'Done'],
      refused: { 404: 'A drill names no case' },
    },
  },
  '/api/v1/crib/{kind}/{id}': {
    put: {
      summary: 'Change an entry; the body is the whole of it and its version',
      body: 'CribChange',
      done: [204, null, 'Changed'],
      refused: { ...NOT_IN_CRIB, ...OLD_VERSION },
    },
    delete: {
      summary: 'Remove an entry; adding it again undoes that',
      query: versionField,
      done: [204, null, 'Gone'],
      refused: { ...NOT_IN_CRIB, ...OLD_VERSION },
    },
    patch: {
      summary: 'Put a machine or drill case in or out of use',
      body: 'InUseChange',
      done: [204, null, 'Done'],
      refused: { ...NOT_IN_CRIB, ...OLD_VERSION },
    },
  },
  '/api/v1/shop': {
    put: { summary: "Change the shop's habits", body: 'ShopChange', done: [204, null, 'Done'], refused: OLD_VERSION },
  },
  '/api/v1/shop/sample': {
    delete: {
      summary: 'Take the sample shop out: its jobs, and what nobody has changed of its crib',
      done: [200, 'SampleOut', 'What was taken out'],
    },
  },
  '/api/v1/session': {
    get: { summary: 'Who is signed in', done: [200, 'Session', 'Who, and what signing in takes here'] },
    post: {
      summary: 'Sign in; a cookie keeps it',
      body: 'SignIn',
      done: [200, 'SignedIn', 'Signed in'],
      refused: { 429: 'Too many wrong passcodes; errors say how long to wait' },
    },
    delete: { summary: 'Sign out', done: [204, null, 'Signed out'] },
  },
  '/api/v1/access': {
    put: {
      summary: 'Say whether changing the crib asks for the passcode again',
      body: 'AccessChange',
      done: [204, null, 'Done'],
    },
  },
  '/api/v1/backup': {
    get: { summary: 'Copies of the data', done: [200, 'Copies', 'Newest first'], refused: NO_FILE },
    post: { summary: 'Copy the data now, while others work', done: [201, 'Copies', 'Copied'], refused: NO_FILE },
  },
};

/** What any operation may answer. */
const ALWAYS = {
  401: 'The passcode is needed: sign in first, or again before a change of the crib',
  403: 'A page of another origin sent this',
  421: 'This address is of another host',
  503: 'The server is busy, or it takes too long; Retry-After says when to try again',
};
const WITH_BODY = { 400: 'Not JSON', 413: 'Body too large', 415: 'Not application/json', 507: 'The disk is full' };
const WRONG = { 422: 'A field is wrong, or the question is impossible or dangerous; errors name the fields' };

const schemaOf = (s: z.ZodType, io: 'input' | 'output') => {
  const { $schema: _, ...rest } = z.toJSONSchema(s, { io });
  return rest;
};
const refOf = (name: string) => ({ schema: { $ref: `#/components/schemas/${name}` } });

function parametersOf(path: string, query: z.ZodObject | undefined): object[] {
  const inPath = [...path.matchAll(/\{(\w+)\}/g)].map(([, name]) => ({
    name,
    in: 'path',
    required: true,
    schema: name === 'kind' ? { enum: Object.keys(CRIB_INPUT) } : { type: 'string' },
  }));
  const input = query && (schemaOf(query, 'input') as { properties?: Record<string, object>; required?: string[] });
  const inQuery = Object.entries(input?.properties ?? {}).map(([name, schema]) => ({
    name,
    in: 'query',
    required: input?.required?.includes(name) ?? false,
    schema,
  }));
  return [...inPath, ...inQuery];
}

function operationOf(path: string, { summary, query, body, done, refused }: Described): object {
  const [status, schema, description] = done;
  const problems = { ...ALWAYS, ...(body ? WITH_BODY : {}), ...(body || query ? WRONG : {}), ...refused };
  return {
    summary,
    parameters: parametersOf(path, query),
    ...(body ? { requestBody: { required: true, content: { 'application/json': refOf(body) } } } : {}),
    responses: {
      [status]: { description, ...(schema ? { content: { 'application/json': refOf(schema) } } : {}) },
      ...Object.fromEntries(
        Object.entries(problems).map(([code, text]) => [
          code,
          { description: text, content: { 'application/problem+json': refOf('Problem') } },
        ]),
      ),
    },
  };
}

/** The HTTP interface as an OpenAPI 3.1 document, generated whole from the schemas that check what crosses it. */
export function openApiDocument() {
  return {
    openapi: '3.1.0',
    info: {
      title: 'Jolly Bit',
      version: '1',
      description:
        'Tap drill, speed, depth and way of tapping for a hole, the jobs that hold them, and what happened at the bench. Names carry their units.',
    },
    paths: Object.fromEntries(
      Object.entries(PATHS).map(([path, methods]) => [
        path,
        Object.fromEntries(
          Object.entries(methods).map(([method, described]) => [method, operationOf(path, described)]),
        ),
      ]),
    ),
    components: {
      schemas: Object.fromEntries([
        ...Object.entries(INPUTS).map(([name, s]) => [name, schemaOf(s, 'input')]),
        ...Object.entries(OUTPUTS).map(([name, s]) => [name, schemaOf(s, 'output')]),
      ]),
    },
  };
}
