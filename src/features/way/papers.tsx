interface Props {
  jobId: string;
  name: string;
  /** Number of the last issued route; 0 for none. */
  issue: number;
  isInch: boolean;
}

interface Paper {
  name: string;
  what: string;
  /** Names and addresses: the first is the one to print. */
  links: [string, string][];
}

function papersOf({ jobId, issue, isInch }: Props): Paper[] {
  const base = `/jobs/${jobId}`;
  const paper = `paper=${isInch ? 'letter' : 'a4'}`;
  const issued: Paper[] = [
    {
      name: 'Traveller',
      what: `Route ${issue}: every set-up with tools, speeds, stops and boxes; goes with the parts.`,
      links: [
        ['PDF', `${base}/routes/${issue}/traveller.pdf?${paper}`],
        ['CSV', `${base}/routes/${issue}/route.csv`],
      ],
    },
    {
      name: 'Inspection sheet',
      what: 'What was gauged, with limits, readings, instruments and decisions; what was not gauged is said.',
      links: [
        ['PDF', `${base}/inspection.pdf?${paper}`],
        ['CSV', `${base}/inspection.csv`],
      ],
    },
  ];
  return [
    {
      name: 'Card',
      what: 'One face beside the machine: tool, speed, belts, stop and turns in large figures.',
      links: [['Open', `${base}/card`]],
    },
    ...(issue > 0 ? issued : []),
    {
      name: 'Heights and punch list',
      what: 'Lines to scribe in the order of the height gauge, then every hole to punch.',
      links: [['Open', `${base}/sheet`]],
    },
    {
      name: 'List to buy',
      what: 'What it needs and the crib does not have, with what would do instead.',
      links: [
        ['Open', `${base}/to-buy`],
        ['CSV', `${base}/to-buy.csv`],
      ],
    },
    {
      name: 'Template',
      what: 'The face at true size, to glue on and punch through.',
      links: [['PDF', `${base}/template.pdf?${paper}`]],
    },
  ];
}

/** Everything of a job that goes on paper. */
export function Papers(props: Props) {
  const { jobId, name, issue } = props;
  return (
    <main id="main" className="mx-auto flex max-w-3xl flex-col gap-3 p-3 sm:px-5">
      <h1 className="font-cond text-2xl font-semibold">{name}, papers</h1>
      <ul className="flex flex-col gap-2">
        {papersOf(props).map((paper) => (
          <li key={paper.name} className="plate flex flex-wrap items-center gap-x-4 gap-y-2 p-3">
            <span className="min-w-0 flex-1 basis-64">
              <strong className="font-cond text-xl">{paper.name}</strong>
              <span className="block text-[15px]">{paper.what}</span>
            </span>
            {paper.links.map(([label, href]) => (
              <a key={label} className="btn" href={href} aria-label={`${paper.name}, ${label}`}>
                {label}
              </a>
            ))}
          </li>
        ))}
      </ul>
      {issue === 0 && (
        <p>
          Traveller and inspection sheet come with an issued route:{' '}
          <a className="link" href={`/jobs/${jobId}/route`}>
            Route
          </a>
          .
        </p>
      )}
    </main>
  );
}
