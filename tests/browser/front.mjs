// Stands before the demo and passes everything on, but for what a test puts in its place: another worker, a file of before.
import { createServer, request } from 'node:http';
import { ownPort } from './server.mjs';

export class Front {
  constructor(demo) {
    this.demo = demo;
    this.port = ownPort();
    this.base = `http://127.0.0.1:${this.port}`;
    this.instead = new Map();
  }

  start() {
    this.server = createServer((asked, answer) => {
      const mine = this.instead.get(new URL(asked.url, this.base).pathname);
      if (mine !== undefined) {
        answer.writeHead(200, { 'Content-Type': 'text/javascript', 'Cache-Control': 'no-cache' }).end(mine);
        return;
      }
      const on = request({ host: '127.0.0.1', port: this.demo.port, path: asked.url, method: asked.method, headers: asked.headers }, (said) => {
        answer.writeHead(said.statusCode, said.headers);
        said.pipe(answer);
      });
      on.on('error', () => answer.destroy());
      answer.on('close', () => on.destroy());
      asked.pipe(on);
    });
    return new Promise((up) => { this.server.listen(this.port, '127.0.0.1', () => up(this)); });
  }

  stop() {
    this.server.closeAllConnections();
    return new Promise((down) => { this.server.close(down); });
  }
}
