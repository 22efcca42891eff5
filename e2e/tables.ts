/** Tables as makers publish them, that the tests of Charts import. */
export const TABLES: Readonly<Record<string, Buffer>> = {
  'blocks-de.csv': Buffer.from(`Size,Chest (cm),Inside leg (cm)
Kurz,,
S,86-94,70-74
M,94-102,70-74
L,102-110,70-74
Normal,,
S,86-94,74-80
M,94-102,74-80
L,102-110,74-80
Lang,,
S,86-94,80-86
M,94-102,80-86
L,102-110,80-86
`),
  'marks.csv': Buffer.from(`Collar (in) \\ Sleeve (in),32,33,34
14,x,x,
14 1/2,x,x,x
15,x,x,x
15 1/2,,x,x
`),
  'page-two-units.html': Buffer.from(`<!doctype html><html><body>
<h3>Inches</h3><table><thead><tr><th>Size</th><th>Chest (in)</th></tr></thead><tbody>
<tr><td>S</td><td>34-36</td></tr><tr><td>M</td><td>38-40</td></tr><tr><td>L</td><td>42-44</td></tr></tbody></table>
<h3>Centimetres</h3><table><tr><td>Size</td><td>Chest (cm)</td></tr>
<tr><td>S</td><td>86-91</td></tr><tr><td>M</td><td>97-102</td></tr><tr><td>L</td><td>107-112</td></tr></table>
</body></html>`),
  'text-utf-16le.csv': Buffer.from(
    `\uFEFFGröße;Hüftumfang (cm);Körpergröße (cm)
S;90–98;164–170
M;98–106;170–176
L;106–114;176–182
XL;114–122;182–188
`,
    'utf16le',
  ),
};
