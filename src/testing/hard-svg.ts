/** SVG files that are hard to read, each with a plain twin that gives the same picture; `says` where something is told. */
type Hard = { readonly what: string; readonly hard: string; readonly plain: string; readonly says?: string }

const svg = (body: string, own = 'viewBox="0 0 24 24"'): string =>
  `<svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" ${own}>${body}</svg>`

const BOX = '<path d="M4 4H20V20H4z"/>'
const LINE = '<path d="M4 12H20" fill="none" stroke="#000" stroke-width="2"/>'

const SHADOWED =
  '<filter id="f" filterUnits="userSpaceOnUse" x="0" y="0" width="24" height="24" color-interpolation-filters="sRGB"><feDropShadow dx="1" dy="2" stdDeviation="1" flood-color="#d5401b" flood-opacity="0.5"/></filter><path filter="url(#f)" d="M6 6H16V16H6z"/>'

const one = (what: string, hard: string, plain: string, says?: string): Hard => ({
  what,
  hard: svg(hard),
  plain: svg(plain),
  ...(says !== undefined && { says }),
})

export const HARD: readonly Hard[] = [
  // Transforms.
  one('translate', '<path d="M0 0h16v16H0z" transform="translate(4 4)"/>', BOX),
  one('translate of one number', '<path d="M0 4h16v16H0z" transform="translate(4)"/>', BOX),
  one('scale', '<path d="M2 2h8v8H2z" transform="scale(2)"/>', BOX),
  one('scale of a stroke', '<path d="M2 6h8" fill="none" stroke="#000" transform="scale(2)"/>', LINE),
  one(
    'uneven scale of a stroke',
    '<path d="M12 4v16" fill="none" stroke="#000" stroke-width="1" transform="translate(-12 0) scale(2 1)"/>',
    '<path d="M12 4v16" fill="none" stroke="#000" stroke-width="2"/>',
    'unevenly',
  ),
  one('rotate', '<path d="M4 10h16v4H4z" transform="rotate(90 12 12)"/>', '<path d="M10 4h4v16h-4z"/>'),
  one('matrix', '<path d="M4 4h16v4H4z" transform="matrix(0 1 -1 0 24 0)"/>', '<path d="M16 4h4v16h-4z"/>'),
  one('skewX', '<path d="M4 4h8v8H4z" transform="skewX(45)"/>', '<path d="M8 4h8l8 8h-8z"/>'),
  one('a list of transforms', '<path d="M0 0h8v8H0z" transform="translate(4,4)scale(2)"/>', BOX),
  one('a transform in a style', '<path d="M0 0h16v16H0z" style="transform: translate(4px, 4px)"/>', BOX),
  one(
    'transforms of groups within each other',
    '<g transform="translate(2 2)"><g transform="translate(2 2)"><path d="M0 0h16v16H0z"/></g></g>',
    BOX,
  ),
  // Documents and what they show.
  {
    what: 'a view box that begins elsewhere',
    hard: svg('<path d="M-8 -8h16v16h-16z"/>', 'viewBox="-12 -12 24 24"'),
    plain: svg(BOX),
  },
  {
    what: 'a view box of another size',
    hard: svg('<path d="M80 80h320v320H80z"/>', 'viewBox="0 0 480 480"'),
    plain: svg(BOX),
  },
  { what: 'a size without a view box', hard: svg(BOX, 'width="24px" height="24px"'), plain: svg(BOX) },
  one(
    'a document within',
    '<svg x="4" y="4" width="16" height="16" viewBox="0 0 8 8"><path d="M0 0h8v8H0z"/></svg>',
    BOX,
  ),
  one(
    'preserveAspectRatio',
    '<svg x="4" y="4" width="16" height="8" viewBox="0 0 8 8" preserveAspectRatio="xMinYMin meet"><path d="M0 0h8v8H0z"/></svg>',
    '<path d="M4 4h8v8H4z"/>',
  ),
  one(
    'preserveAspectRatio none',
    '<svg x="4" y="4" width="16" height="8" viewBox="0 0 8 8" preserveAspectRatio="none"><path d="M0 0h8v8H0z"/></svg>',
    '<path d="M4 4h16v8H4z"/>',
  ),
  one('use', '<defs><path id="a" d="M0 0h16v16H0z"/></defs><use href="#a" x="4" y="4"/>', BOX),
  one(
    'use by xlink',
    '<defs><path id="a" d="M0 0h16v16H0z"/></defs><use xlink:href="#a" transform="translate(4 4)"/>',
    BOX,
  ),
  one(
    'use takes the look of its place',
    '<defs><path id="a" d="M4 4h16v16H4z"/></defs><g fill="#d5401b"><use href="#a"/></g>',
    '<path d="M4 4h16v16H4z" fill="#d5401b"/>',
  ),
  one(
    'symbol',
    '<symbol id="a" viewBox="0 0 8 8"><path d="M0 0h8v8H0z"/></symbol><use href="#a" x="4" y="4" width="16" height="16"/>',
    BOX,
  ),
  // Style sheets.
  one(
    'a class',
    '<style>.a{fill:#d5401b}</style><path class="a b" d="M4 4h16v16H4z"/>',
    '<path fill="#d5401b" d="M4 4h16v16H4z"/>',
  ),
  one(
    'an id goes before a class',
    '<style>#x{fill:#d5401b}.a{fill:#000}</style><path id="x" class="a" d="M4 4h16v16H4z"/>',
    '<path fill="#d5401b" d="M4 4h16v16H4z"/>',
  ),
  one(
    'a rule goes before an attribute',
    '<style>path{fill:#d5401b}</style><path fill="#000" d="M4 4h16v16H4z"/>',
    '<path fill="#d5401b" d="M4 4h16v16H4z"/>',
  ),
  one(
    'a style attribute goes before a rule',
    '<style>path{fill:#000}</style><path style="fill:#d5401b" d="M4 4h16v16H4z"/>',
    '<path fill="#d5401b" d="M4 4h16v16H4z"/>',
  ),
  one(
    'important goes before all',
    '<style>.a{fill:#d5401b!important}</style><path class="a" style="fill:#000" d="M4 4h16v16H4z"/>',
    '<path fill="#d5401b" d="M4 4h16v16H4z"/>',
  ),
  one(
    'a child and a descendant',
    '<style>g > path{fill:#d5401b} svg .b{stroke:#000}</style><g><path class="b" d="M4 4h16v16H4z"/></g>',
    '<path fill="#d5401b" stroke="#000" d="M4 4h16v16H4z"/>',
  ),
  one(
    'an attribute in a selector',
    '<style>[data-name="x"]{fill:#d5401b}</style><path data-name="x" d="M4 4h16v16H4z"/>',
    '<path fill="#d5401b" d="M4 4h16v16H4z"/>',
  ),
  one(
    'a style sheet in CDATA',
    '<style><![CDATA[ .a { fill : #d5401b } ]]></style><path class="a" d="M4 4h16v16H4z"/>',
    '<path fill="#d5401b" d="M4 4h16v16H4z"/>',
  ),
  // Look.
  one('inheritance', '<g fill="none" stroke="#000" stroke-width="2"><path d="M4 12H20"/></g>', LINE),
  one('inherit', '<g stroke="#000" stroke-width="2"><path d="M4 12H20" fill="none" stroke-width="inherit"/></g>', LINE),
  one(
    'currentColor with a colour',
    '<g color="#d5401b"><path fill="currentColor" d="M4 4h16v16H4z"/></g>',
    '<path fill="#d5401b" d="M4 4h16v16H4z"/>',
  ),
  ...[
    ['a name', 'rebeccapurple', '#663399'],
    ['three digits', '#d41', '#dd4411'],
    ['rgb()', 'rgb(213, 64, 27)', '#d5401b'],
    ['rgb in percent', 'rgb(100% 0% 0%)', '#ff0000'],
    ['hsl()', 'hsl(120 100% 25%)', '#008000'],
    ['upper case', '#D5401B', '#d5401b'],
  ].map(([what, value, hex]) =>
    one(`a colour by ${what}`, `<path fill="${value}" d="M4 4h16v16H4z"/>`, `<path fill="${hex}" d="M4 4h16v16H4z"/>`),
  ),
  one(
    'a colour with opacity',
    '<path fill="#00000080" d="M4 4h16v16H4z"/>',
    '<path fill="#000" fill-opacity=".502" d="M4 4h16v16H4z"/>',
  ),
  one(
    'opacity of a group',
    '<g opacity=".5"><path d="M4 4h10v16H4z"/><path d="M8 4h12v16H8z"/></g>',
    '<path opacity=".5" d="M4 4h16v16H4z"/>',
  ),
  one('units', '<rect x="3pt" y="3pt" width="12pt" height="12pt"/>', BOX),
  one('percentages', '<rect x="25%" y="25%" width="50%" height="50%"/>', '<path d="M6 6h12v12H6z"/>'),
  one(
    'display and visibility',
    `<path display="none" d="M0 0h24v24z"/><g visibility="hidden"><path d="M0 0h24v24z"/><path visibility="visible" d="M4 4h16v16H4z"/></g>`,
    BOX,
  ),
  one('a helper without paint', `<path d="M0 0h24v24H0z" fill="none"/>${BOX}`, BOX),
  // Shapes and path data.
  one(
    'rect with rx',
    '<rect x="4" y="4" width="16" height="16" rx="4"/>',
    '<path d="M8 4h8a4 4 0 0 1 4 4v8a4 4 0 0 1-4 4H8a4 4 0 0 1-4-4V8a4 4 0 0 1 4-4z"/>',
  ),
  one(
    'rect with ry alone',
    '<rect x="4" y="4" width="16" height="16" ry="4"/>',
    '<path d="M8 4h8a4 4 0 0 1 4 4v8a4 4 0 0 1-4 4H8a4 4 0 0 1-4-4V8a4 4 0 0 1 4-4z"/>',
  ),
  one('circle', '<circle cx="12" cy="12" r="8"/>', '<path d="M4 12a8 8 0 1 1 16 0 8 8 0 1 1-16 0z"/>'),
  one(
    'a circle of four cubics',
    '<path d="M12 4c4.418 0 8 3.582 8 8s-3.582 8-8 8-8-3.582-8-8 3.582-8 8-8z"/>',
    '<circle cx="12" cy="12" r="8"/>',
  ),
  one('polygon', '<polygon points="4,4 20 4 20,20,4,20"/>', BOX),
  one('polyline', '<polyline points="4 12 20 12" fill="none" stroke="#000" stroke-width="2"/>', LINE),
  one('flags run together', '<path d="M4 12a8 8 0 1116 0 8 8 0 01-16 0z"/>', '<circle cx="12" cy="12" r="8"/>'),
  one(
    'a loop of one curve, level at one end and plumb at the other',
    '<path d="M12 4c0 24-24 0 0 0z"/>',
    '<path d="M12 4c0 12-6 12-9 9S0 4 12 4z"/>',
  ),
  one('numbers without separators', '<path d="M4 4h15.5.5v15.5.5H4z"/>', BOX),
  one('a move after z', '<path d="M4 4h16v4H4zm0 12h16v4H4z"/>', '<path d="M4 4h16v4H4z"/><path d="M4 16h16v4H4z"/>'),
  one('evenodd', '<path fill-rule="evenodd" d="M4 4h16v16H4zM8 8h8v8H8z"/>', '<path d="M4 4h16v16H4zM8 8v8h8V8z"/>'),
  one('nonzero, the same way round', '<path d="M4 4h16v16H4zM8 8h8v8H8z"/>', BOX),
  one(
    'nonzero, cut out',
    '<path d="M4 4h16v16H4zM8 8v8h8V8z"/>',
    '<path fill-rule="evenodd" d="M4 4h16v16H4zM8 8h8v8H8z"/>',
  ),
  one(
    'a star that crosses itself, evenodd',
    '<path fill-rule="evenodd" d="M12 2l6 18L2 9h20L6 20z"/>',
    '<path fill-rule="evenodd" d="M12 2l6 18L2 9h20L6 20z"/>',
  ),
  one(
    'dashes',
    '<path d="M4 12H20" fill="none" stroke="#000" stroke-width="2" stroke-dasharray="4 4"/>',
    '<path d="M4 12h4m4 0h4" fill="none" stroke="#000" stroke-width="2"/>',
  ),
  one(
    'a dash offset',
    '<path d="M4 12H20" fill="none" stroke="#000" stroke-width="2" stroke-dasharray="4" stroke-dashoffset="4"/>',
    '<path d="M8 12h4m4 0h4" fill="none" stroke="#000" stroke-width="2"/>',
  ),
  one(
    'a miter limit',
    '<path d="M4 20L12 4l8 16" fill="none" stroke="#000" stroke-width="2" stroke-miterlimit="1"/>',
    '<path d="M4 20L12 4l8 16" fill="none" stroke="#000" stroke-width="2" stroke-linejoin="bevel"/>',
  ),
  one(
    'paint-order',
    '<path paint-order="stroke" d="M8 8h8v8H8z" fill="#d5401b" stroke="#000" stroke-width="4"/>',
    '<path d="M6 6h12v12H6z"/><path d="M8 8h8v8H8z" fill="#d5401b"/>',
  ),
  one(
    'non-scaling-stroke',
    '<path d="M2 6h8" fill="none" stroke="#000" stroke-width="2" vector-effect="non-scaling-stroke" transform="scale(2)"/>',
    LINE,
  ),
  // Paints by link, clips.
  one(
    'a gradient that takes its stops from another',
    '<defs><linearGradient id="s"><stop offset="0" stop-color="#000"/><stop offset="1" stop-color="#d5401b"/></linearGradient><linearGradient id="g" xlink:href="#s" x1="4" x2="20" gradientUnits="userSpaceOnUse"/></defs><path fill="url(#g)" d="M4 4h16v16H4z"/>',
    '<defs><linearGradient id="g"><stop offset="0" stop-color="#000"/><stop offset="1" stop-color="#d5401b"/></linearGradient></defs><path fill="url(#g)" d="M4 4h16v16H4z"/>',
  ),
  one(
    'a radial gradient',
    '<defs><radialGradient id="g"><stop offset="0" stop-color="#000"/><stop offset="100%" style="stop-color:#d5401b"/></radialGradient></defs><path fill="url(#g)" d="M4 4h16v16H4z"/>',
    '<defs><radialGradient id="g" cx="12" cy="12" r="8" gradientUnits="userSpaceOnUse"><stop offset="0" stop-color="#000"/><stop offset="1" stop-color="#d5401b"/></radialGradient></defs><path fill="url(#g)" d="M4 4h16v16H4z"/>',
  ),
  one(
    'a clip path',
    '<defs><clipPath id="c"><path d="M4 4h8v16H4z"/></clipPath></defs><path clip-path="url(#c)" d="M4 4h16v16H4z"/>',
    '<path d="M4 4h8v16H4z"/>',
  ),
  one(
    'a clip path as large as the square',
    `<defs><clipPath id="c"><path d="M0 0h24v24H0z"/></clipPath></defs><g clip-path="url(#c)">${BOX}</g>`,
    BOX,
  ),
  one(
    'a white mask',
    '<defs><mask id="m"><path fill="#fff" d="M4 4h8v16H4z"/></mask></defs><path mask="url(#m)" d="M4 4h16v16H4z"/>',
    '<path d="M4 4h8v16H4z"/>',
  ),
  one(
    'a paint that is not there, with another',
    '<path fill="url(#gone) #d5401b" d="M4 4h16v16H4z"/>',
    '<path fill="#d5401b" d="M4 4h16v16H4z"/>',
  ),
  // Markers.
  one(
    'a marker at the end, turned and as large as the stroke says',
    '<marker id="m" viewBox="0 0 10 10" refX="5" refY="5" markerWidth="4" markerHeight="4" orient="auto"><path d="M0 0L10 5L0 10z"/></marker><path d="M4 12V20" fill="none" stroke="#000" stroke-width="2" marker-end="url(#m)"/>',
    '<path d="M4 12V20" fill="none" stroke="#000" stroke-width="2"/><path d="M8 16L4 24L0 16z"/>',
  ),
  one(
    'markers at every vertex, in units of their own, in the colour of the stroke',
    '<marker id="m" refX="2" refY="2" markerWidth="4" markerHeight="4" markerUnits="userSpaceOnUse"><circle cx="2" cy="2" r="2" fill="context-stroke"/></marker><polyline points="4,12 12,4 20,12" fill="none" stroke="#d5401b" marker="url(#m)" style="marker:url(#m)"/>',
    '<polyline points="4,12 12,4 20,12" fill="none" stroke="#d5401b"/><g fill="#d5401b"><circle cx="4" cy="12" r="2"/><circle cx="12" cy="4" r="2"/><circle cx="20" cy="12" r="2"/></g>',
  ),
  one(
    'a marker at the start that looks back',
    '<marker id="m" viewBox="0 0 4 4" refX="0" refY="2" markerWidth="4" markerHeight="4" orient="auto-start-reverse" markerUnits="userSpaceOnUse"><path d="M0 0L4 2L0 4z"/></marker><path d="M8 12H20" stroke="#000" stroke-width="2" marker-start="url(#m)"/>',
    '<path d="M8 12H20" stroke="#000" stroke-width="2"/><path d="M8 10L4 12L8 14z"/>',
  ),
  // Masks and clips.
  one(
    'a mask with a black hole',
    '<mask id="m"><rect width="24" height="24" fill="#fff"/><circle cx="12" cy="12" r="4" fill="#000"/></mask><path mask="url(#m)" d="M4 4H20V20H4z"/>',
    '<path fill-rule="evenodd" d="M4 4H20V20H4zM12 8a4 4 0 1 0 0 8 4 4 0 0 0 0-8z"/>',
  ),
  one(
    'a clip by the box of what it cuts',
    '<clipPath id="c" clipPathUnits="objectBoundingBox"><rect width="0.5" height="1"/></clipPath><path clip-path="url(#c)" d="M4 4H20V20H4z"/>',
    '<path d="M4 4H12V20H4z"/>',
  ),
  // Soft shadows.
  ...[
    '<filter id="f"><feDropShadow dx="1" dy="2" stdDeviation="1" flood-color="#d5401b" flood-opacity="0.5"/></filter>',
    '<filter id="f" color-interpolation-filters="sRGB"><feGaussianBlur in="SourceAlpha" stdDeviation="1"/><feOffset dx="1" dy="2" result="o"/><feFlood flood-color="#d5401b" flood-opacity="0.5"/><feComposite in2="o" operator="in"/><feMerge><feMergeNode/><feMergeNode in="SourceGraphic"/></feMerge></filter>',
    '<filter id="f" color-interpolation-filters="sRGB"><feFlood flood-opacity="0" result="b"/><feColorMatrix in="SourceAlpha" values="0 0 0 0 0 0 0 0 0 0 0 0 0 0 0 0 0 0 127 0" result="h"/><feOffset dx="1" dy="2"/><feGaussianBlur stdDeviation="1"/><feComposite in2="h" operator="out"/><feColorMatrix values="0 0 0 0 0.835 0 0 0 0 0.251 0 0 0 0 0.106 0 0 0 0.5 0"/><feBlend in2="b" result="s"/><feBlend in="SourceGraphic" in2="s"/></filter>',
  ].map((filter, i) =>
    one(
      `a soft shadow, written in way ${i + 1}`,
      `<defs>${filter}</defs><path filter="url(#f)" d="M6 6H16V16H6z"/>`,
      SHADOWED,
    ),
  ),
  one(
    'a soft shadow as a function',
    '<path style="filter:drop-shadow(1px 2px 1px rgb(213 64 27 / 50%))" d="M6 6H16V16H6z"/>',
    SHADOWED,
  ),
  // Places that are stroked.
  one(
    'a dot: a way of no length with round ends',
    '<path d="M12 12h0M4 4zM20 20" stroke="#000" stroke-width="6" stroke-linecap="round"/>',
    '<circle cx="12" cy="12" r="3"/><circle cx="4" cy="4" r="3"/>',
  ),
  one(
    'a line of no length with square ends, and one with blunt ones',
    '<line x1="12" y1="12" x2="12" y2="12" stroke="#000" stroke-width="8" stroke-linecap="square"/><line x1="4" y1="4" x2="4" y2="4" stroke="#000" stroke-width="8"/>',
    '<path d="M8 8h8v8H8z"/>',
  ),
  // What is told.
  one('text without letters', `${BOX}<text x="2" y="2"> </text>`, BOX),
  one('a script', `<script>alert(1)</script>${BOX}`, BOX, 'script'),
  one('a picture', `<image href="https://example.org/a.png" width="9" height="9"/>${BOX}`, BOX, 'image'),
  one('an animation', '<path d="M4 4h16v16H4z"><animate attributeName="d"/></path>', BOX),
  one('foreign content', `<foreignObject width="24" height="24"/>${BOX}`, BOX, 'foreignObject'),
  one('a filter', '<filter id="f"/><path filter="url(#f)" d="M4 4h16v16H4z"/>', BOX, 'filter'),
]
