import { ClassView } from '@/features/practice/class-view';
import { listJobs } from '@/server/repositories/job-repository';
import { findPractised, listAssignments } from '@/server/repositories/practice-repository';
import { database } from '@/server/start';

export const metadata = { title: 'Class · Jolly Bit' };

export default async function ClassPage() {
  const db = await database();
  const [practised, assignments, { jobs }] = await Promise.all([findPractised(db), listAssignments(db), listJobs(db)]);
  return (
    <ClassView practised={practised} assignments={assignments} jobs={jobs.map(({ id, name }) => ({ id, name }))} />
  );
}
