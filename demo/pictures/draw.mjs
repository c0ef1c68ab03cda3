// Draws the pictures that stand in for a camera: node demo/pictures/draw.mjs. Each is an SVG rendered by the browser of the tests.
import { chromium } from 'playwright-core';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { writeFileSync } from 'node:fs';
import { FLATS, HOLE, MARKS } from '../../assets/js/card.js';

const here = dirname(fileURLToPath(import.meta.url));
const [W, H] = [1600, 1200];

const defs = `<defs>
  <filter id="grain" x="0" y="0" width="100%" height="100%"><feTurbulence type="fractalNoise" baseFrequency=".8" numOctaves="3" seed="7"/>
    <feColorMatrix values="0 0 0 0 .5  0 0 0 0 .5  0 0 0 0 .5  0 0 0 .5 -.12"/><feComposite in2="SourceGraphic" operator="in"/></filter>
  <filter id="cast" x="0" y="0" width="100%" height="100%"><feTurbulence type="fractalNoise" baseFrequency=".09" numOctaves="4" seed="3"/>
    <feDiffuseLighting lighting-color="#d6d3cb" surfaceScale="1.6"><feDistantLight azimuth="235" elevation="58"/></feDiffuseLighting>
    <feComposite in2="SourceGraphic" operator="in"/></filter>
  <filter id="soft" x="-40%" y="-40%" width="180%" height="180%"><feGaussianBlur stdDeviation="9"/></filter>
  <filter id="out"><feGaussianBlur stdDeviation="1.1"/></filter>
  <radialGradient id="lamp" cx=".35" cy=".25" r="1"><stop offset="0" stop-color="#fff" stop-opacity=".28"/><stop offset=".55" stop-color="#fff" stop-opacity="0"/>
    <stop offset="1" stop-color="#000" stop-opacity=".5"/></radialGradient>
  <linearGradient id="steel" x2="1" y2="1"><stop offset="0" stop-color="#e8e6e1"/><stop offset=".45" stop-color="#9c9a95"/><stop offset="1" stop-color="#5f5d59"/></linearGradient>
  <linearGradient id="black" x2="1" y2="1"><stop offset="0" stop-color="#4a4844"/><stop offset="1" stop-color="#171614"/></linearGradient>
  <linearGradient id="brass" x2="0" y2="1"><stop offset="0" stop-color="#e3c987"/><stop offset="1" stop-color="#8f7038"/></linearGradient>
</defs>`;
const scene = (inside, ground = '#35332f') => `<svg xmlns="http://www.w3.org/2000/svg" width="${W}" height="${H}" viewBox="0 0 ${W} ${H}">${defs}
  <rect width="${W}" height="${H}" fill="${ground}"/><rect width="${W}" height="${H}" fill="#666" filter="url(#cast)" opacity=".5"/>
  <g filter="url(#out)">${inside}</g><rect width="${W}" height="${H}" fill="url(#lamp)"/>
  <rect width="${W}" height="${H}" fill="#888" filter="url(#grain)" opacity=".35"/></svg>`;

const hex = (x, y, r, turn = 0) => `<g transform="translate(${x} ${y}) rotate(${turn})"><circle r="${r * 1.5}" fill="#0008" cx="7" cy="9" filter="url(#soft)"/>
  <circle r="${r * 1.42}" fill="url(#steel)" stroke="#4b4a46" stroke-width="2"/><polygon points="${[0, 60, 120, 180, 240, 300].map((a) => `${r * Math.cos(a * Math.PI / 180)},${r * Math.sin(a * Math.PI / 180)}`).join(' ')}" fill="#a9a7a1" stroke="#55534f" stroke-width="3"/>
  <circle r="${r * 0.72}" fill="#b8b6b0" stroke="#7d7b76" stroke-width="2"/></g>`;
const pulley = (x, y, r, ribs = true) => `<g transform="translate(${x} ${y})"><circle r="${r + 6}" cx="14" cy="18" fill="#000a" filter="url(#soft)"/><circle r="${r}" fill="url(#black)" stroke="#0d0c0b" stroke-width="5"/>
  ${ribs ? [0.96, 0.9, 0.84].map((k) => `<circle r="${r * k}" fill="none" stroke="#6b6862" stroke-width="3"/>`).join('') : ''}
  <circle r="${r * 0.66}" fill="url(#steel)"/>${[0, 72, 144, 216, 288].map((a) => `<circle r="${r * 0.13}" cx="${r * 0.42 * Math.cos(a * Math.PI / 180)}" cy="${r * 0.42 * Math.sin(a * Math.PI / 180)}" fill="#2a2825"/>`).join('')}
  <circle r="${r * 0.2}" fill="#5b5954" stroke="#2b2926" stroke-width="4"/></g>`;

const belt = () => {
  const path = 'M318 905 C150 800 205 420 330 330 C420 262 560 250 640 330 C720 410 760 500 860 496 C960 490 1100 215 1240 240 C1390 290 1420 470 1330 610 C1240 750 1010 850 860 930 C700 1010 470 1010 318 905 Z';
  return scene(`<path d="${path}" fill="none" stroke="#000b" stroke-width="60" transform="translate(14 18)" filter="url(#soft)"/>
    ${pulley(470, 770, 205)}${pulley(470, 400, 150)}${pulley(1235, 405, 148)}${pulley(860, 610, 92, false)}
    <path d="${path}" fill="none" stroke="#1b1a18" stroke-width="46"/><path d="${path}" fill="none" stroke="#38362f" stroke-width="40"/>
    ${[-12, -4, 4, 12].map((d) => `<path d="${path}" fill="none" stroke="#24221f" stroke-width="3" stroke-dashoffset="${d}" transform="translate(${d * 0.7} ${d * 0.4})"/>`).join('')}
    ${hex(1480, 760, 40, 12)}${hex(1400, 1010, 36, 40)}${hex(1010, 1090, 38, 5)}`);
};

const joint = () => {
  const bolts = [[420, 320], [1160, 300], [1270, 820], [330, 860]];
  return scene(`<path d="M300 230 Q800 120 1290 220 Q1420 600 1370 930 Q800 1050 250 950 Q170 560 300 230Z" fill="url(#steel)" stroke="#3b3935" stroke-width="6"/>
    <path d="M300 230 Q800 120 1290 220 Q1420 600 1370 930 Q800 1050 250 950 Q170 560 300 230Z" fill="#888" filter="url(#cast)" opacity=".45"/>
    <path d="M455 405 Q800 300 1110 390 Q1200 600 1150 770 Q800 860 440 790 Q380 580 455 405Z" fill="#1c1b19" stroke="#5d5b56" stroke-width="10"/>
    <path d="M388 345 Q800 230 1185 320 Q1300 600 1245 850 Q800 960 355 870 Q275 560 388 345Z" fill="none" stroke="#2e4766" stroke-width="24" stroke-linejoin="round"/>
    <path d="M388 345 Q800 230 1185 320 Q1300 600 1245 850 Q800 960 355 870 Q275 560 388 345Z" fill="none" stroke="#6d8bb0" stroke-width="7" transform="translate(-4 -6)"/>
    ${bolts.map(([x, y], i) => `<circle cx="${x - 20}" cy="${y + (i > 1 ? 60 : -40)}" r="34" fill="#171614" stroke="#6a6863" stroke-width="6"/>`).join('')}
    <circle cx="640" cy="600" r="30" fill="none" stroke="#4a4844" stroke-width="8"/><circle cx="930" cy="600" r="30" fill="none" stroke="#4a4844" stroke-width="8"/>`);
};

const LOOKS = ['#b3864e', '#a87d49', '#b98c55', '#2e2b28', '#b08350', '#ab8049'];
const plugs = () => scene(LOOKS.map((colour, i) => {
  const [x, y] = [300 + (i % 3) * 500, 330 + Math.floor(i / 3) * 540];
  return `<g transform="translate(${x} ${y})"><circle r="205" cx="12" cy="16" fill="#000a" filter="url(#soft)"/><circle r="200" fill="url(#steel)" stroke="#45433f" stroke-width="5"/>
    <circle r="150" fill="#3a3834"/><circle r="120" fill="#1c1b19"/><circle r="84" fill="${colour}"/><circle r="84" fill="#fff" filter="url(#grain)" opacity=".6"/>
    <circle r="26" fill="#d5d2ca" stroke="#55534e" stroke-width="4"/><path d="M-30 -176 h60 v150 q-30 26 -60 0z" fill="${colour}" stroke="#4a4844" stroke-width="5" opacity=".92"/>
    <text y="262" font-family="Barlow Condensed, sans-serif" font-size="54" text-anchor="middle" fill="#f4efe2">${i + 1}</text></g>`;
}).join(''), '#4a4741');

const hose = (x, worn) => `<g transform="translate(${x} 0)"><path d="M40 1090 C-20 700 300 620 200 120" fill="none" stroke="#000a" stroke-width="190" transform="translate(14 14)" filter="url(#soft)"/>
  <path d="M40 1090 C-20 700 300 620 200 120" fill="none" stroke="${worn ? '#3c3a36' : '#1d1c1b'}" stroke-width="176"/><path d="M10 1090 C-50 700 260 620 160 120" fill="none" stroke="#ffffff22" stroke-width="26"/>
  <ellipse cx="198" cy="112" rx="88" ry="30" fill="#0c0b0a" stroke="#55534e" stroke-width="12"/>
  ${worn ? [[120, 640, 20], [135, 690, -12], [95, 760, 26], [170, 560, 8]].map(([a, b, r]) => `<path d="M${a - 40} ${b} q40 ${r} 82 -6" fill="none" stroke="#0d0c0b" stroke-width="9"/><path d="M${a - 38} ${b - 6} q40 ${r} 80 -6" fill="none" stroke="#7a766d" stroke-width="3"/>`).join('') : ''}
  <rect x="92" y="180" width="210" height="34" rx="8" fill="url(#steel)" transform="rotate(-7 198 200)"/></g>`;
const hoses = () => scene(`${hose(330, true)}${hose(970, false)}`, '#6a5f4d');

// Measured pictures: mm on a plane, turned in space by the browser, so that what is true is known.
const nut = ([x, y]) => `<polygon points="${[0, 60, 120, 180, 240, 300].map((a) => `${x + FLATS / Math.sqrt(3) * Math.cos(a * Math.PI / 180)},${y + FLATS / Math.sqrt(3) * Math.sin(a * Math.PI / 180)}`).join(' ')}" fill="#141312"/><circle cx="${x}" cy="${y}" r="${HOLE}" fill="#f6f2e8"/>`;
const card = (x, y) => `<g transform="translate(${x} ${y})"><rect x="-12" y="-12" width="154" height="104" fill="#0007" transform="translate(2 3)" filter="url(#near)"/>
  <rect x="-12" y="-12" width="154" height="104" fill="#f6f2e8"/>${MARKS.map(nut).join('')}<path d="M15 62 h100" stroke="#222" stroke-width=".5"/>
  <text x="65" y="36" font-size="6" text-anchor="middle" font-family="Barlow Condensed, sans-serif" fill="#222">Nimble Knuckle: target card</text></g>`;
const plane = (inside, turn) => `<div style="width:${W}px;height:${H}px;background:#4a4741;overflow:hidden;perspective:2300px;position:relative">
  <svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 320 240" width="1760" height="1320" style="position:absolute;left:-80px;top:-60px;transform:${turn}">
  <defs><filter id="near"><feGaussianBlur stdDeviation="2.5"/></filter><filter id="cast2" x="0" y="0" width="100%" height="100%"><feTurbulence type="fractalNoise" baseFrequency=".35" numOctaves="3" seed="5"/>
    <feDiffuseLighting lighting-color="#c9c5bb" surfaceScale=".5"><feDistantLight azimuth="235" elevation="60"/></feDiffuseLighting></filter>
    <linearGradient id="steel2" x2="1" y2="1"><stop offset="0" stop-color="#dcdad4"/><stop offset="1" stop-color="#8d8b85"/></linearGradient></defs>
  <rect width="320" height="240" filter="url(#cast2)"/>${inside}</svg>
  <div style="position:absolute;inset:0;background:radial-gradient(at 35% 25%, #fff4, #fff0 55%, #0006)"></div></div>`;

/** A bracket that stands 14 mm off the block, and a pipe of 52 mm. */
const bracket = (pipe = 0, turn = 'rotateX(24deg) rotateY(-13deg) rotateZ(3deg)') => plane(`${card(70, 128)}
  <g fill="url(#steel2)" stroke="#33312d" stroke-width="1"><path d="M40 22 H200 V58 H40 Z"/><path d="M60 72 H190 V104 H100 V92 H60 Z"/></g>
  <g fill="#2b2926"><circle cx="62" cy="40" r="6"/><circle cx="178" cy="40" r="6"/></g><path d="M60 58 H190 V72 H60 Z" fill="#1b1a18"/>
  <circle cx="${252 + pipe}" cy="66" r="26" fill="url(#steel2)" stroke="#33312d" stroke-width=".8"/><circle cx="${252 + pipe}" cy="66" r="22" fill="#1b1a18"/>`, turn);

/** The same, the pipe 9 mm farther from the bracket, from another place: an engine that rocks. */
const rocked = () => bracket(9, 'rotateX(15deg) rotateY(-20deg) rotateZ(-2deg)');

/** A flange of five holes: on a ring of 90 mm, one of them 4 mm nearer to the middle. */
const HOLES = [90, 162, 234, 306, 18].map((a, i) => { const r = i === 2 ? 41 : 45; return [96 + r * Math.cos(a * Math.PI / 180), 66 - r * Math.sin(a * Math.PI / 180)]; });
const flange = () => plane(`${card(150, 126)}<circle cx="96" cy="66" r="57" fill="url(#steel2)" stroke="#33312d" stroke-width="1"/><circle cx="96" cy="66" r="30" fill="#1b1a18" stroke="#55534e" stroke-width="1"/>
  ${HOLES.map(([x, y]) => `<circle cx="${x}" cy="${y}" r="4.5" fill="#171614" stroke="#6b6963" stroke-width=".6"/><path d="M${x - 1.6} ${y} h3.2 M${x} ${y - 1.6} v3.2" stroke="#f2c00f" stroke-width=".5"/>`).join('')}`, 'rotateX(-19deg) rotateY(17deg) rotateZ(-6deg)');

export const pictures = { belt, joint, plugs, hoses, bracket, rocked, flange };

const browser = await chromium.launch({ executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium', args: ['--no-sandbox', '--disable-gpu', '--disable-quic', '--no-first-run'] });
const page = await browser.newPage({ viewport: { width: W, height: H } });
for (const [name, drawn] of Object.entries(pictures)) {
  await page.setContent(`<body style="margin:0">${drawn()}</body>`);
  writeFileSync(join(here, `${name}.jpg`), await page.screenshot({ type: 'jpeg', quality: 78 }));
}
await browser.close();
