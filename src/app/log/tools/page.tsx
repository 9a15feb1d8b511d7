import { ToolsView } from '@/features/log/tools-view';
import { toolsPageOf } from '@/server/services/learned-view';
import { database } from '@/server/start';

export const metadata = { title: 'Tools, log · Jolly Bit' };

export default async function ToolsPage() {
  return <ToolsView page={await toolsPageOf(await database())} />;
}
