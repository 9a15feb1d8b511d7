/**
 * What people and standards call the materials of the list: AISI, SAE and UNS, EN names and numbers, the older DIN, BS
 * and JIS names, and everyday words. Trade rule: each covers the condition that the material's label says.
 */
export const DESIGNATIONS: Readonly<Record<string, string>> = {
  'steel-free-machining':
    '12L14, 1215, 1213, 1212, 1117, G12144, G12150, 11SMn30, 11SMnPb30, 11SMn37, 1.0715, 1.0718, 1.0736, 9SMn28, 9SMnPb28, EN1A, 230M07, SUM24L, leaded steel, free-cutting steel, screw stock',
  'steel-low-carbon':
    '1018, 1020, 1015, 1010, 1008, 1022, 1025, G10180, G10200, C10, C15, C15E, C22, Ck15, 1.0301, 1.0401, 1.0402, 1.1141, DC01, 1.0330, EN3B, EN32, 080M15, 070M20, mild steel, bright mild steel, cold-rolled steel, cold-drawn steel, CRS',
  'steel-hot-rolled':
    'A36, A572, S235, S235JR, S275, S275JR, S355, S355J2, S355JR, 1.0036, 1.0037, 1.0038, 1.0044, 1.0045, 1.0570, 1.0577, St 37, St 37-2, St 44-2, St 52-3, Fe360, Fe430, Fe510, K02600, HRS, hot-rolled steel, structural steel, black steel, angle iron, I-beam, channel',
  'steel-medium-carbon':
    '1045, 1040, 1035, 1030, 1050, 1060, G10450, G10400, C35, C40, C45, C45E, C50, C60, Ck45, 1.0501, 1.0503, 1.0511, 1.0540, 1.0601, 1.1191, EN8, EN9, 080M40, 070M55, S45C',
  'steel-alloy-annealed':
    '4140, 4130, 4142, 4340, 5140, 8620, 9310, G41400, G41300, G43400, G86200, 42CrMo4, 25CrMo4, 34CrMo4, 34CrNiMo6, 41Cr4, 16MnCr5, 20MnCr5, 21NiCrMo2, 1.7225, 1.7218, 1.7220, 1.6582, 1.7035, 1.7131, 1.7147, 1.6523, EN16, EN19, EN24, EN36, 708M40, 709M40, 817M40, SCM440, SNCM439, chromoly, chrome-moly',
  'steel-alloy-prehard':
    '4140 prehard, 4140 HT, 4140 PH, 4340 prehard, P20, T51620, 42CrMo4+QT, 40CrMnMo7, 40CrMnMoS8-6, 40CrMnNiMo8-6-4, 1.2311, 1.2312, 1.2738, EN19T, EN24T, quenched and tempered, QT',
  'steel-tool-annealed':
    'O1, O2, A2, D2, W1, S7, H13, L6, M2, T31501, T30102, T30402, T20813, T41907, T11302, 1.2510, 1.2842, 1.2363, 1.2379, 1.2210, 1.2343, 1.2344, 1.3343, 1.3505, 52100, 100Cr6, 100MnCrW4, 90MnCrV8, X153CrMoV12, X40CrMoV5-1, 115CrV3, BO1, BD2, BH13, EN31, SKD11, SKD61, silver steel, drill rod, gauge plate, ground flat stock',
  'stainless-free-machining':
    '303, 303Se, S30300, S30323, 1.4305, X8CrNiS18-9, X10CrNiS18-9, 303S31, EN58M, SUS303, A1 stainless',
  'stainless-austenitic':
    '304, 304L, 316, 316L, 316Ti, 301, 302, 321, 347, S30400, S30403, S31600, S31603, S32100, 1.4301, 1.4306, 1.4307, 1.4310, 1.4401, 1.4404, 1.4435, 1.4541, 1.4571, X5CrNi18-10, X2CrNi18-9, X5CrNiMo17-12-2, X2CrNiMo17-12-2, X6CrNiMoTi17-12-2, 304S15, 316S16, 316S31, EN58E, EN58J, SUS304, SUS316, V2A, V4A, 18-8, 18/8, 18/10, A2 stainless, A4 stainless, inox',
  'stainless-precipitation':
    '17-4PH, 17-4, 15-5PH, 15-5, 630, S17400, S15500, 1.4542, 1.4548, 1.4545, X5CrNiCuNb16-4, SUS630',
  'iron-grey':
    'GG20, GG25, GG30, GJL-200, GJL-250, GJL-300, EN-GJL-200, EN-GJL-250, EN-GJL-300, 0.6020, 0.6025, 0.6030, 5.1300, 5.1301, 5.1302, A48, class 30, class 35, class 40, F12801, FC200, FC250, gray iron, gray cast iron, cast iron',
  'iron-ductile':
    'GGG40, GGG50, GGG60, GJS-400-15, GJS-400-18, GJS-500-7, GJS-600-3, EN-GJS-400-15, EN-GJS-500-7, 0.7040, 0.7050, 0.7060, 5.3106, 5.3200, A536, 60-40-18, 65-45-12, 80-55-06, F32800, F33100, FCD400, FCD450, SG iron, nodular iron, spheroidal graphite',
  'iron-malleable':
    'GTS-35, GTW-40, GJMB-350-10, GJMB-450-6, GJMW-400-5, EN-GJMB-350-10, EN-GJMW-400-5, 0.8035, 0.8040, 0.8135, A47, 32510, F22200, blackheart, whiteheart, malleable cast iron, pipe fitting',
  'aluminium-wrought-6000':
    '6061, 6061-T6, 6063, 6082, 6082-T6, 6060, 6005A, 6026, A96061, A96063, A96082, AlMgSi1, AlMgSi0.5, AlMg1SiCu, AlSi1MgMn, 3.2315, 3.3206, 3.3211, 3.3214, EN AW-6060, EN AW-6061, EN AW-6082, H20, H30, HE9, HE30, aluminum, aluminum extrusion',
  'aluminium-wrought-7000':
    '7075, 7075-T6, 7050, 7022, A97075, A97050, AlZn5.5MgCu, AlZnMgCu1.5, AlZnMgCu0.5, 3.4345, 3.4365, EN AW-7075, EN AW-7022',
  'aluminium-cast':
    'A356, 356, A357, 319, 380, A380, A03560, A13560, AlSi7Mg, AlSi7Mg0.3, AlSi9Cu3, AlSi10Mg, G-AlSi7Mg, G-AlSi10Mg, 3.2371, 3.2381, AC-42000, AC-42100, AC-43000, AC-46000, EN AC-42100, LM4, LM24, LM25, AC4C, aluminum casting',
  'aluminium-cast-high-silicon':
    'A390, 390, B390, A413, 413, A03900, A14130, AlSi12, AlSi17Cu4Mg, G-AlSi12, 3.2581, AC-44100, AC-44200, AC-47000, EN AC-44200, LM6, LM13, LM20, LM30',
  'brass-free-cutting':
    'C360, C36000, C385, C38500, C377, CW603N, CW608N, CW614N, CW617N, CuZn36Pb3, CuZn38Pb2, CuZn39Pb3, CuZn40Pb2, 2.0375, 2.0401, 2.0402, CZ120, CZ121, CZ122, CZ124, Ms58, free-machining brass, leaded brass, brass bar',
  'brass-cartridge':
    'C260, C26000, C270, C27000, C272, C27200, CW505L, CW507L, CW508L, CuZn30, CuZn36, CuZn37, 2.0265, 2.0321, 2.0335, CZ106, CZ107, CZ108, Ms63, Ms70, cartridge brass, yellow brass, brass sheet, lead-free brass',
  'bronze-bearing':
    'C932, C93200, C937, C93700, C836, C83600, SAE 660, SAE 64, CC491K, CC493K, CC495K, CuSn5Zn5Pb5-C, CuSn7Zn4Pb7-C, CuSn10Pb10-C, RG5, RG7, 2.1090, 2.1096, 2.1176, LG2, LG4, LB2, gunmetal, red brass, bearing bronze',
  'bronze-aluminium':
    'C954, C95400, C955, C95500, C630, C63000, C614, C61400, CW307G, CW308G, CC331G, CC333G, CuAl10Ni5Fe4, CuAl10Fe5Ni5-C, CuAl11Fe6Ni6, 2.0966, 2.0975, AB1, AB2, CA104, aluminum bronze',
  copper:
    'C110, C11000, C101, C10100, C102, C10200, C122, C12200, CW004A, CW008A, CW024A, Cu-ETP, Cu-OF, Cu-DHP, E-Cu, SF-Cu, 2.0040, 2.0060, 2.0065, 2.0090, tough-pitch copper, oxygen-free copper, bus bar',
  'titanium-commercial':
    'Ti grade 1, Ti grade 2, Ti grade 3, Ti grade 4, grade 2 titanium, Ti2, Ti-2, Gr 2, R50250, R50400, R50550, R50700, 3.7025, 3.7035, 3.7055, 3.7065, CP titanium',
  'titanium-6al4v':
    'Ti grade 5, grade 5 titanium, Ti5, Ti-5, Gr 5, Ti grade 23, Ti6Al4V, TiAl6V4, 6-4, R56400, R56401, 3.7164, 3.7165',
  magnesium: 'AZ31, AZ61, AZ80, AZ91, AZ91D, AM50, AM60, ZK60, M11311, M11916, MC21120, MC21110, EN-MC21120, MgAl9Zn1',
  'zinc-die-cast':
    'ZP3, ZP5, ZL0400, ZL0410, ZnAl4, ZnAl4Cu1, GD-ZnAl4, Z33520, Z33521, Z35531, zinc alloy 3, zinc alloy 5, pot metal',
  'nickel-alloy':
    'alloy 400, alloy 600, alloy 625, alloy 718, alloy C-276, N04400, N06600, N06625, N07718, N10276, 2.4360, 2.4816, 2.4856, 2.4668, 2.4819, NiCu30Fe, NiCr15Fe, NiCr22Mo9Nb, NiCr19NbMo, superalloy',
  acetal: 'POM, POM-C, POM-H, polyoxymethylene, acetal copolymer, acetal homopolymer',
  nylon: 'PA6, PA66, PA 6 G, PA12, polyamide, cast nylon, nylon 6, nylon 66',
  acrylic: 'PMMA, polymethyl methacrylate, acrylic glass',
  'phenolic-laminate':
    'Hgw 2082, Hgw 2083, Hgw 2088, Hp 2061, PF CC 201, PF CC 203, PF CP 201, grade C, grade CE, grade LE, grade XX, canvas phenolic, linen phenolic, paper phenolic, hard paper, hard fabric, resin-bonded fabric',
};
