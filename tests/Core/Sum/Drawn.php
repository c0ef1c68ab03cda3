<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Sum;

use NimbleKnuckle\Tests\Core\Doors;
use Random\Engine\Mt19937;
use Random\Randomizer;

/** Seeded inputs for every sum: whole ranges and odd corners. */
final class Drawn
{
    private const THREADS = [
        'M4', 'M5', 'M6', 'M8', 'M8x1', 'M10', 'M10x1.25', 'M12x1.5', 'M16', '5/16-18 UNC', '1/2-20', '#10-32', 'G1/4',
    ];
    private const GRADES = ['4.6', '5.8', '8.8', '10.9', '12.9', 'A2-70', 'A4-80', 'SAE 2', 'SAE 5', 'SAE 8', 'aluminium'];
    private const MATERIALS = ['aluminium casting', 'aluminium wrought', 'cast iron', 'magnesium', 'steel', 'brass'];
    private const FRICTIONS = [
        'oiled', 'dry zinc', 'anti-seize', 'threadlocker wet', 'waxed aluminium', 'stainless dry', '0.14', '0.10/0.14',
    ];
    /**
     * Where more is worth drawing than the ranges of the fields: sum => field => a list, or [low, high] of numbers; one with “?” in
     * front may be left out.
     */
    private const FIELDS = [
        'torque-check' => [
            'stated' => [
                '9 N·m', '29 ft-lb / 21 Nm', '18-22 Nm', '40 Nm + 90°', '80 in-lb', '25.5 Nm', '2.5 kgf·m', '9 Nm / 80 in-lb',
                '100 ft-lb / 136 Nm', '16 oz-in',
            ],
            '?thread' => self::THREADS, '?grade' => self::GRADES, '?friction' => self::FRICTIONS, '?material' => self::MATERIALS,
        ],
        'torque-estimate' => [
            'thread' => self::THREADS, '?grade' => self::GRADES, '?friction' => self::FRICTIONS,
            '?head' => ['hexagon', 'flange', 'socket'], '?share' => [20, 100], '?material' => self::MATERIALS,
            '?engagement' => [3, 25],
        ],
        'angle-tighten' => [
            'thread' => self::THREADS, '?grade' => self::GRADES, '?head' => ['hexagon', 'flange', 'socket'], 'snug' => [2, 60],
            'angle' => [10, 270], 'shank' => [0, 60], 'threaded' => [4, 40], '?member' => ['steel', 'aluminium', 'cast-iron'],
            '?friction' => self::FRICTIONS, '?swing' => [10, 120],
        ],
        'part-turn' => [
            'target' => [4, 90], 'thread' => self::THREADS, '?grade' => self::GRADES, 'shank' => [0, 40], 'threaded' => [4, 40],
            '?member' => ['steel', 'aluminium', 'cast-iron'], '?friction' => self::FRICTIONS, '?snug' => [1, 20],
            '?seal_travel' => [0, 1],
        ],
        'wrench-set' => [
            'target' => [2, 200], 'lever' => [100, 600], 'adapter' => [0, 200], '?adapter_angle' => [0, 180],
            '?joint_angle' => [0, 45],
        ],
        'wrench-pick' => [
            'targets' => ['9 N·m', '9; 25; 60', '120 N·m; 5 N·m', '0.5', '210'],
            'kit' => [
                "small, 2, 20, 3, 2026-06-01\nbig, 40, 210, 4, 2025-01-01", 'one, 5, 25, 4',
                "a, 10, 100, 2\nb, 20, 100, 6, 2026-11-01",
            ],
        ],
        'tighten-order' => [
            'layout' => ['ring 8', 'ring 5', 'line 4', 'grid 2x5', '2x3', 'ring 12', 'line 1', '[[0,0],[40,0],[20,30],[60,30]]'],
            '?passes' => ['30; 60; 100', '100', '50, 100'], '?target' => [5, 90],
        ],
        'even-take-up' => [
            'gap' => [0, 12], 'thread' => self::THREADS, 'count' => ['1', '2', '3', '4', '8', '2.5'],
            '?step' => ['half turn', '90 deg', '1/4 turn', '360'],
        ],
        'thread-engagement' => [
            'thread' => self::THREADS, '?grade' => self::GRADES, '?material' => self::MATERIALS, '?shear_strength' => [80, 700],
            'engagement' => [2, 30], '?safety' => [1, 2],
        ],
        'thread-gauge' => [
            'diameter' => ['3.9', '4.9', '5.9', '6.3', '7.9', '7.85', '9.4', '9.85', '11.8', '12.6', '15.8', '4.75', '0.31 in'],
            '?pitch' => ['1.25 mm', '1 mm', '0.8', '1.5', '24 tpi', '18 tpi', '32 tpi', '1.75'],
        ],
        'thread-compound' => [
            'thread' => self::THREADS, '?bolt' => ['steel', 'stainless', 'aluminium'], '?material' => self::MATERIALS,
            '?heat' => [20, 600], '?turns' => ['yes', 'no'], '?removed' => ['yes', 'no'], '?wet' => ['yes', 'no', 'no'],
            '?stated' => [3, 80], '?ambient' => [-5, 40],
        ],
        'bolt-reuse' => ['old' => [99, 102], 'new' => ['100'], '?limit' => [100, 102], '?grip' => [30, 90], '?into_yield' => ['yes', 'no']],
        'trace-judge' => [
            'samples' => [
                '0 0.4; 60 0.4; 120 0.5; 178 0.5; 182 1.0; 186 2.2; 190 3.7; 194 5.2; 198 6.8; 202 8.3; 204 9.1',
                '0 0; 10 4; 20 8; 30 12; 40 16; 50 20; 60 24', '0 0; 10 4; 20 8; 30 12; 40 13; 50 13.4; 60 13.6; 70 13.8',
                '0 0; 10 4; 20 8; 30 12; 40 9; 50 5; 60 3',
            ],
            'spec' => ['9 N·m', '24', '20 N·m + 30 deg', '14'],
            '?joint' => [
                '{"thread":"M8","grade":"8.8","shank":10,"threaded":12,"member":"aluminium","turns":0.4}',
                '{"slope":0.4,"turns":0}',
            ],
        ],
        'extension-twist' => [
            'torque' => [5, 300], '?snug' => [1, 60], 'length' => [50, 1200], 'diameter' => [6, 30], '?inner' => [0, 10], '?play' => [0, 9],
        ],
        'clearance' => [
            'cold' => [2, 40], '?parts' => ['moving 450 23 70; frame 300 12 30', 'moving 800 mm 12 150', 'frame 20 in 23 40'],
            '?roll' => ['1.2° 300', '3 deg 150 mm', '0.5 400'], '?least' => [2, 10],
        ],
        'tilt-clearance' => [
            'pivot' => ['0 0', '-100 50'], 'lifted' => ['600 50', '-400 120', '300 -80'], 'rise' => [5, 90],
            'points' => ['fan 650 300 25 180; hose 500 420 30 90', 'sump -200 -300 18 270', 'turbo 100 350 12 135; pan 0 -200 40 -90'],
        ],
        'lift-links' => [
            'mass' => [40, 400], '?legs' => ['30° 250; 30° 250', '10 200; 45 300', '30; 65 400', '20 150; 20 150; 35 150', '0 500'],
            '?bar' => ['1500 600 500', '1400 700 300 40 60 3', '1200 100'], 'parts' => ['hook 400; shackle 500', 'ring', 'link 1000 lb'],
        ],
        'mount-share' => [
            'mounts' => [
                'left -300 200 120 180 rubber; right 320 180 120 180 rubber; rod 0 -250 260 60 pu', 'a -200 0 150 200; b 250 40 150 200 pu',
            ],
            'torque' => [100, 2500], '?engine' => ['180 8 4 800', '220 kg 12 6 650', '150'],
            '?changed' => ['left -300 200 240 360 pu; right 320 180 120 180 rubber'], '?hardness' => [30, 80], '?hardness_new' => [40, 90],
        ],
        'coolant-mix' => [
            'capacity' => [3, 12], 'drained' => [0, 6], 'present' => ['0', '20 %', '32', '-18 °C', '45', '60'],
            'target' => ['33', '40', '50 %', '50/50', '60'], 'product' => ['100', '50 %', '90', '33'], '?base' => ['eg', 'pg'],
            '?incompatible' => ['yes', 'no'], '?shelf' => ['1 L; 1.5 L; 5 L', '5'],
        ],
        'coolant-protect' => [
            'base' => ['eg', 'pg'], 'percent' => [0, 62], '?cap' => [0, 180], '?altitude' => [-100, 3500],
            '?barometer' => [70, 105], '?coldest' => [-50, 10],
        ],
        'vacuum-fill' => [
            'altitude' => [0, 3000], 'temperature' => [0, 60], 'volume' => [3, 12], 'pulled' => [70, 100], '?hold_end' => [66, 80],
            '?hold_minutes' => [1, 15],
        ],
        'coolant-level' => [
            'volume' => [3, 12], 'percent' => [0, 70], 'cold' => [-20, 30], 'hot' => [50, 115], '?marks' => [0, 1],
            '?topped_up' => [0, 1],
        ],
        'warm-up' => [
            'samples' => [
                '0 18; 60 25; 120 33; 180 40; 240 47; 300 54; 360 60; 420 67; 480 73; 540 80; 600 86; 640 90; 660 89; 700 89; '
                    .'760 90; 820 91; 880 91',
                '0 20; 60 30; 120 40; 180 50; 240 60',
                '0 20; 120 40; 240 55; 360 63; 480 67; 600 69; 720 70; 840 70.4; 960 70.6; 1080 70.7',
                '0 20; 60 35; 120 50; 180 65; 240 80; 300 95; 360 110; 420 121',
            ],
            'opens' => ['82', '88 °C', '92', '105'], '?full' => ['98', '104', '80'], '?ambient' => [-10, 35],
        ],
        'thermostat-test' => [
            'opens' => [76, 98], 'opened' => [70, 101], '?full_open' => [85, 115], '?closed' => [55, 95], '?lift' => [4, 10],
            '?lift_wanted' => [6, 9],
        ],
        'oil-fill' => [
            'capacity' => [3, 9], '?drained' => [2, 9], 'filter' => ['changed, 0.3 L', 'kept, 0.4 L', 'changed', 'kept'],
            '?housing' => [0, 0.5], '?dip_mm' => [0, 30], '?litre_per_mm' => ['0.06', '0.1'], '?target_mm' => ['20 mm', '12'],
        ],
        'clamp-size' => [
            'outside' => [9, 120], '?inside' => [8, 60], '?spigot' => [8, 60], '?behind_bead' => [8, 40],
            '?kind' => ['worm', 'spring', 'tbolt'], '?soft' => ['yes', 'no'],
        ],
        'belt-path' => [
            'pulleys' => [
                'crank 0 0 152 drives; alternator 225 150 62; tensioner 120 196 76 back; blower 40 330 74; idler -52 214 70 back; '
                    .'pump -176 150 128',
                'a 0 0 100; b 300 0 100', 'crank 0 -60 150; pump 260 0 60; fan 0 180 60; alternator -260 0 60',
                'crank 0 0 100; a 300 0 100; idler 20 140 60 back; b 150 300 100', 'crank 0 0 152; pump 90 0 40',
                'crank 0 0 150; a 300 0 80; b 150 250 80; spare 150 60 40',
            ],
            '?section' => ['PK', 'PJ', 'pl', 'PM', 'PH'], '?be' => [0, 5], '?tb' => [0, 4],
        ],
        'belt-fit' => [
            'pulleys' => [
                'crank 0 0 152 drives; alternator 225 150 62; tensioner 120 196 76 back; blower 40 330 74; idler -52 214 70 back; '
                    .'pump -176 150 128',
            ],
            'tensioner' => ['tensioner 169 159 61 175 160 125', '169 159 61 175 125 160 70', '169 159 55 180 165 130'],
            '?belt' => ['6PK1570', '1560', '1600', '1700', '1400'], '?belts' => ['6PK1555; 6PK1570; 6PK1585', 'K060620; 1565'],
        ],
        'pulley-change' => [
            'crank' => [120, 180], '?crank_new' => [120, 180], 'old' => [60, 90], 'new' => [60, 90], 'redline' => [5500, 8500],
            '?limit' => [12000, 20000], '?pressure_ratio_old' => ['1.3', '1.45', '1.8'], '?type' => [
                'positive-displacement', 'centrifugal',
            ],
            '?altitude' => [0, 2500],
        ],
        'belt-slip' => [
            'ribs' => ['0', '6', '8', '10'], 'wrap' => [40, 210], 'slack_tension' => [20, 500], 'power' => [1, 90],
            'speed' => [2000, 16000], 'd' => [50, 160], '?friction' => ['0.1', '0.35', '0.5'],
        ],
        'belt-code' => ['code' => ['6PK1915', '6 PK 1915', 'K060755', 'EPDM 8PK2120', '4PJ1200', 'L100850', '12PM2000', 'A42', '0PK1000']],
        'belt-note' => [
            '?belt' => ['6PK1570', 'K080755', '4PJ1200'], '?mass' => ['0.114', '0.2 lb'], 'span' => [60, 500], '?note' => [20, 300],
            '?tension' => [100, 900], '?least' => [100, 400], '?most' => [300, 700],
        ],
        'press-fit' => [
            'shaft' => ['32.000', '32.002 32.001; 32.000 31.999', '31.98', '40.02 mm'], 'bore' => [
                '31.965', '31.97 31.96; 31.965 31.966', '32.01',
            ],
            'hub' => [42, 90], '?hollow' => [0, 20], 'length' => [15, 60], '?temperature' => ['20', '35; 18', '-5 °C'],
            '?roughness' => ['4 µm; 6 µm', '0.01'], '?materials' => [
                'steel', 'steel 420; cast iron 250', 'steel 900; aluminium 240', 'iron',
            ],
            '?friction' => ['oiled', 'dry', '0.1'], '?clearance' => [0.02, 0.1], '?bonded' => ['yes', 'no'],
        ],
        'press-screw' => [
            'force' => [3000, 60000], 'screw' => ['M16x2', 'M14x1.5', 'M12', '1/2-20'], 'material' => self::MATERIALS,
            '?friction' => ['0.12', '0.1; 0.02', '0.16'], '?face' => ['10 mm', '12 0.02'], 'travel' => [10, 40], '?engaged' => [8, 30],
            '?bolts' => ['M8 12 mm; M8 12 mm; M8 11.8 mm', 'M8 7; M8 12', 'M6 6.2; M6 6.4'],
            '?curve' => [
                '0 20; 5 66; 20 68; 22 70; 22.2 150; 28 152; 28.2 400', '0 5; 10 6; 30 7', '0 20; 4 400',
                '0 20; 5 60; 12 61; 12.2 130; 15 131',
            ],
        ],
        'drive-wear' => [
            '?cracks' => ['2', '3', '9', '10'], '?rib_new' => ['2.4'], '?rib_now' => [1.5, 2.4], '?missing' => ['yes', 'no', 'no'],
            '?frayed' => ['yes', 'no', 'no'], '?parted' => ['no'], '?glazed' => ['yes', 'no'], '?oily' => ['no'],
            '?near_seal' => ['yes', 'no'], '?swing' => [0, 9], '?play' => [0, 2], '?weak' => ['no', 'yes'], '?noisy' => ['no', 'yes'],
            '?spin' => [0, 3000], '?rough' => ['no'], '?uncapped' => ['yes', 'no'],
        ],
        'belt-line' => [
            'gap' => [0, 4], '?proud' => ['yes', 'no'], '?gap_far' => [0, 4], '?across' => [40, 120], 'span' => [80, 400], '?rim' => [0, 4],
            '?rim_fixed' => [0, 4], '?run_out' => [0, 0.5], '?rib_old' => ['11.2'], '?rib_new' => ['11.4', '12.1'],
        ],
        'chain-travel' => [
            'travel' => [0, 16], 'limit' => [8, 14], '?rattle' => ['0.5', '1', '2 s', '3', '3.1', '8 s'], '?sinks' => ['yes', 'no', 'no'],
        ],
        'blow-off' => [
            'diameter' => [30, 90], 'pressure' => [20, 300], 'clamp' => ['worm', 't-bolt', 'spring'], '?screw_torque' => [2, 10],
            '?tension' => [300, 6000], '?screw' => ['M6', 'M8'], '?friction' => ['dry', 'damp', 'oily', '0.3'],
            '?bead' => ['yes', 'no', '12', '40'], '?tied' => ['yes', 'no', 'no'],
        ],
        'leak-decay' => [
            'volume' => [3, 40], 'from' => [60, 200], 'to' => [10, 199], 'seconds' => ['5 s', '30', '2 min'], '?temperature' => [-5, 60],
            '?boost' => [50, 250], '?flow' => [40, 600], '?altitude' => ['640'], '?barometer' => ['94 kPa'],
        ],
        'charge-cooler' => [
            'before' => [
                70, 190,
            ], 'after' => [20, 80], 'ambient' => [-5, 32], '?pressure_before' => [60, 200], '?pressure_after' => [50, 200],
            '?first' => ['118 61 24', '118 61 24 105 90', '150 40 20 100 100'], '?compressor' => ['2 0.72 25', '1.5 68', '3 75 10'],
            '?altitude' => ['640'],
        ],
        'charge-path' => [
            '?engine' => ['2.0 L 6500 rpm 95', '3 L 7000 rpm', '0.6 L 3000 rpm 80'], '?flow' => [30, 600], 'boost' => [0, 200],
            'temperature' => [0, 120],
            'sections' => [
                'hot 50.8 600 90/76; tank 76 120; cold 57 900 90/85 45/85', 'one 38 2000 180/60 0.05', 'a 70 100; b 40 100; c 70 100',
                'x 20 5',
            ],
            '?sizes' => ['50.8; 57; 63.5; 76', '30'],
        ],
        'coupler-match' => [
            'ends' => ['a 50.8 57 90 bead; b 57 57; c 63.5 60.3', 'a 57; b 57; c 57', 'x 76 70 45; y 63.5 63.5 bead'],
            'couplers' => [
                'one 60 63; two 57 51 90; three 57 57; four 76 76', 'p 57; q 57; r 57.5', 'u 63 63; v 70.5 76 52',
                'w 58 58; s 55 55; t 56.9',
            ],
            '?clamps' => ['small 55 66; large 63 75', 'one 40 50', 'wide 50 90 worm'],
        ],
        'gate-preload' => [
            '?cracks' => [20, 90], '?rate' => [3, 14], '?points' => ['0 0; 40 0; 48 0; 63 2; 78 4; 93 6', '0 0; 9 0; 20 0; 30 0'],
            'pitch' => ['1', '0.8', '1.25'], '?step' => ['1', '0.5'], '?wanted' => [10, 140], '?turns' => [0, 8], '?travel' => [6, 20],
            '?needed' => [4, 14], '?stated' => ['2 mm', '0.08 in'], '?stated_turns' => ['2', '3'],
        ],
        'actuator-test' => [
            'samples' => [
                '0 0; 20 0; 40 0; 48 0; 63 2; 78 4; 93 6; 105 6; 120 6; 90 5.7; 60 1.7; 0 0', '0 0; 30 0; 60 0; 90 0.1; 60 0.1; 0 0',
                '0 0; 20 0; 40 0; 50 1; 60 2; 70 3; 80 4; 90 4; 60 4; 45 2; 30 1; 0 0', '0 0; 30 0; 60 2; 90 4',
            ],
            '?label' => [35, 70], '?full' => ['6', '9'], '?hold' => ['100 99 20', '100 80 10', '90 81 10'],
        ],
        'boost-run' => [
            'samples' => [
                '0 2500 10 100; 1 3000 60 100; 2 3600 99 100; 3 4200 100 100; 4 5000 101 100; 5 5600 99 100',
                '0 2500 10 100; 1 3000 60 100; 2 3600 130 100; 2.5 3800 101 100; 3 4200 100 100; 4 5000 100 100',
                '0 2500 10 50; 1 3000 60 60; 2 3600 70 100; 3 4200 80 100; 4 5000 82 100; 5 5600 81 100',
                '0 2500 10 100; 1 3000 97 100; 2 3600 104 100; 3 4200 110 100; 4 5000 116 100; 5 5600 124 100',
                '0 2500 10 100; 1 3000 97 100; 2 3600 100 100; 3 4200 96 100; 4 5000 86 100; 5 5600 75 100',
            ],
            'target' => ['100 kPa', '3000 90; 5000 100', '60'], '?limit' => ['120', '128 kPa'],
        ],
        'plug-gap' => [
            'boost' => ['0', '100 kPa', '1.8 bar'], 'ratio' => ['8', '12.5'], 'advance' => ['0', '18°', '35'],
            'charge_temperature' => ['20', '60 °C'], 'range' => ['0.6-0.8 mm', '0.028 in', '1.1'], '?coil' => ['12', '28 kV', '45'],
            '?wear' => ['0', '0.2'],
        ],
        'plug-set' => [
            'plugs' => [
                '1 0.92 tan; 2 0.94 tan; 3 1.15 white; 4 0.91 tan', '1 0.8; 2 0.81', '1 0.9 oil; 2 0.9 oil; 3 0.9 oil; 4 0.9 cracked',
                '1 0.9 black-dry; 2 0.91 black-dry; 3 0.9 black-dry', '1 0.7 tan; 2 0.7 tan; 3 0.86 tan; 4 0.7 tan; 5 0.71 tan; 6 0.5 tan',
            ],
            '?new_gap' => ['0.7', '0.8'], '?km' => ['20000', '60000'],
        ],
        'volt-drop' => [
            'rest' => ['12.2', '12.6', '13.1'], 'crank' => ['8.8', '9.55', '10.4'], 'stud' => ['8', '9.3'], 'ground' => ['0.1',
                '0.35', '0.5'],
            '?current' => ['120', '300'], '?temperature' => ['-18', '0', '25'], '?kind' => ['flooded', 'agm'],
        ],
        'cause' => [
            'table' => [
                '{"causes":[{"id":"a","prior":0.6},{"id":"b","prior":0.4}],"checks":[{"id":"q","minutes":2,"answers":[{"id":"yes"},'
                    .'{"id":"no"}],"chances":{"a":[0.9,0.1],"b":[0.2,0.8]}},{"id":"r","minutes":3,"answers":[{"id":"yes"},{"id":"no"}],'
                    .'"chances":{"a":[0.3,0.7],"else":[0.6,0.4]}}]}',
            ],
            '?findings' => ['q yes', 'q no; r yes', 'r skip', 'r no'], '?confirmed' => ['b 2', 'a 9; b 1'],
        ],
        'photo-plane' => [
            'marks' => [
                '300 200 0 0; 1032 216 100 0; 1006 690 100 70; 322 682 0 70',
                '0 0 0 0; 100 0 50 0; 100 100 50 50; 0 100 0 50; 50 50 25 25',
            ],
            'points' => ['40 40; 70 60; 72 34; 45 70', '424 330; 716 560; 726 340; 500 500'],
            'measure' => ['1-2; 1-3-2', 'circle 1 2 3', 'circle 1 2 3 4; 2-4'], '?distance' => ['500', '300'], '?off' => ['5', '-3'],
        ],
        'time-learned' => [
            'planned' => ['20; 30; 50', '1; 2; 4', '30; 30; 31'], '?done' => ['40; 45; 38', '12', '30; 31; 29; 33; 28; 30; 31; 90'],
        ],
        'disc-stack' => [
            'spring' => ['50 25.4 3 4.1', '50 25.4 1.5 3.9', '40 20.4 2 3.1'], 'arrangement' => ['2p 3s', '1p 4s', 'u u u d d u', 'ud'],
            '?height' => [8, 21], '?travel' => [0.2, 1.2], 'faces' => ['1', '2', '4'], 'outer' => [70, 90], 'inner' => [40, 60],
            '?friction' => ['0.1', '0.2'],
            '?trials' => ['2p 3s 19.5: 140 146 151', '2p 3s 19.5: 140 150 145; u u d d u u 19.5: 60 62 61', 'u d 7.6: 30'],
            '?target' => [40, 300], '?band' => ['5', '20'], '?stock' => ['6; 0.2 0.3 0.5', '8', '4; 0.1'],
        ],
        'mount-tired' => [
            '?old' => ['58; 61', '60', '70; 71; 72'], '?new' => ['64; 63', '61.9', '62.1', '70; 77; 73'], 'rock_before' => [10, 60],
            'rock_after' => [2, 50],
        ],
        'face-seal' => [
            'width' => [4, 40], 'length' => [40, 900], 'gap' => [0, 0.5], 'faces' => ['machined', 'cast', 'pressed'],
            'fluid' => ['coolant', 'oil', 'fuel', 'air'], '?was' => ['gasket', 'ring', 'anaerobic', 'silicone'],
            '?way' => ['gasket', 'ring', 'anaerobic', 'silicone', 'reuse'], '?temperature' => ['20', '9.9', '10', '30', '0'],
        ],
        'bolt-spacing' => [
            '?points' => ['[[0,0],[60,0],[95,40],[40,75]]', '[[0,0],[50,0]]', '[[0,0],[40,0],[80,0],[80,60],[0,60]]', '[[0,0],[0,0]]'],
            '?pitch' => [20, 160], 'd' => ['6', '8', '5', '10'], 'thickness' => [1, 16],
            'gasket' => ['rubber', 'fibre', 'metal', 'ring'], '?faces' => ['rigid', 'pressed'],
        ],
        'seal-squeeze' => [
            'section' => [1.5, 6], 'inner' => [10, 90], 'depth' => [1.2, 5], 'width' => [2, 8], 'groove_inner' => [10, 92],
            '?groove_outer' => [14, 110], '?use' => ['face', 'radial'],
        ],
    ];

    /** @return list<string> */
    public static function sums(): array
    {
        return array_keys(Doors::book()->all());
    }

    /**
     * @param int $seed which of the many draws
     *
     * @return list<array<string, string>>
     */
    public static function inputs(string $sum, int $runs, int $seed = 0): array
    {
        $random = new Randomizer(new Mt19937(crc32($sum) + $seed));
        $all = [];
        for ($i = 0; $i < $runs; ++$i) {
            $inputs = [];
            foreach (self::FIELDS[$sum] ?? self::byItself($sum) as $field => $from) {
                if (str_starts_with($field, '?') && 0 === $random->getInt(0, 2)) {
                    continue;
                }
                $isRange = 2 === count($from) && is_numeric($from[0]) && is_numeric($from[1]) && !is_string($from[0]);
                $inputs[ltrim($field, '?')] = $isRange
                    ? self::between($random, (float) $from[0], (float) $from[1])
                    : (string) $from[$random->getInt(0, count($from) - 1)];
            }
            $all[] = $inputs;
        }

        return $all;
    }

    /**
     * What a sum is drawn from that has no line above: what its fields say of themselves.
     *
     * @return array<string, non-empty-list<float|string>>
     */
    private static function byItself(string $sum): array
    {
        $from = [];
        foreach (Doors::book()->named($sum)->about()->fields() as $field) {
            $bounds = $field->ranges->typical ?? $field->ranges->physical;
            $from[($field->required ? '' : '?').$field->name] = match (true) {
                null !== $field->kind && null !== $bounds => [$bounds->low, $bounds->high],
                [] !== $field->choices => array_map(strval(...), array_keys($field->choices)),
                default => [$field->example],
            };
        }

        return $from;
    }

    private static function between(Randomizer $random, float $low, float $high): string
    {
        // Whole and half steps meet the edges of bands; the ends themselves come up too.
        $steps = $high - $low > 5 ? 2 * ($high - $low) : 40;

        return (string) round($low + ($high - $low) * $random->getInt(0, (int) $steps) / (int) $steps, 3);
    }
}
