// Makes one sheet beside the requests of the server: takes what is on it, gives back the bytes of a PDF.
import { parentPort, workerData } from 'node:worker_threads';
import pdfmake from 'pdfmake';
import roboto from 'pdfmake/fonts/Roboto.js';

pdfmake.addFonts(roboto);
// Nothing is fetched for a sheet.
pdfmake.setUrlAccessPolicy(() => false);
pdfmake.setLocalAccessPolicy((path) => path.includes('pdfmake'));
pdfmake.addTableLayouts({
  ruled: { hLineWidth: () => 0.6, vLineWidth: () => 0 },
  roomy: { hLineWidth: () => 0.7, vLineWidth: () => 0, paddingTop: () => 4, paddingBottom: () => 4 },
});

const { title, foot, paper, content } = workerData;
const bytes = await pdfmake
  .createPdf({
    pageSize: paper === 'a4' ? 'A4' : 'LETTER',
    pageMargins: foot === undefined ? 0 : [36, 36, 36, 40],
    info: { title },
    defaultStyle: { font: 'Roboto', fontSize: 11 },
    ...(foot === undefined
      ? {}
      : {
          footer: (page, pages) => ({
            text: `${title}, sheet ${page} of ${pages}. ${foot}`,
            alignment: 'center',
            fontSize: 9,
          }),
        }),
    content,
  })
  .getBuffer();
parentPort?.postMessage(new Uint8Array(bytes));
