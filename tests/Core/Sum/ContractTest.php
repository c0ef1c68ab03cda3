<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Sum;

use NimbleKnuckle\Core\BeltDrive\Door\DriveReading;
use NimbleKnuckle\Core\Quantity\Notation;
use NimbleKnuckle\Core\Quantity\Show;
use NimbleKnuckle\Core\Quantity\Unit;
use NimbleKnuckle\Core\Sum\Check;
use NimbleKnuckle\Core\Sum\Field;
use NimbleKnuckle\Core\Sum\Inputs;
use NimbleKnuckle\Core\Sum\InvalidInput;
use NimbleKnuckle\Core\Sum\Level;
use NimbleKnuckle\Core\Sum\SumBook;
use NimbleKnuckle\Core\Sum\SumResult;
use NimbleKnuckle\Core\Sum\Value;
use NimbleKnuckle\Tests\Core\Doors;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** What every sum promises, whatever it works out. */
#[CoversClass(SumBook::class)]
#[CoversClass(SumResult::class)]
#[CoversClass(Inputs::class)]
#[CoversClass(Field::class)]
#[CoversClass(Show::class)]
#[CoversClass(Value::class)]
#[CoversClass(Level::class)]
final class ContractTest extends TestCase
{
    /** The same inputs in two sets of units. */
    private const SAME = [
        'extension-twist' => [
            ['torque' => 90, 'snug' => 20, 'length' => 508, 'diameter' => 12.7, 'inner' => 3, 'play' => 3],
            [
                'torque' => '9 daN·m', 'snug' => '2000 N·cm', 'length' => '20 in', 'diameter' => '1/2 in', 'inner' => '0.3 cm',
                'play' => '3°',
            ],
        ],
        'clearance' => [
            [
                'cold' => 12.7, 'parts' => [['side' => 'moving', 'length' => 450, 'α' => 23, 'rise' => 70]],
                'roll' => ['angle' => 1.2, 'lever' => 254], 'least' => 5,
            ],
            ['cold' => '1/2 in', 'parts' => 'moving 45 cm 23 70', 'roll' => '1.2° 10 in', 'least' => '5 mm'],
        ],
        'tilt-clearance' => [
            ['pivot' => [0, 0], 'lifted' => ['x' => 609.6, 'y' => 50], 'rise' => 40, 'points' => [
                ['name' => 'fan', 'x' => 650, 'y' => 300, 'gap' => 25, 'direction' => 180],
            ]],
            ['pivot' => '0 0', 'lifted' => '2 ft 5 cm', 'rise' => '4 cm', 'points' => 'fan 650 mm 30 cm 25 180°'],
        ],
        'lift-links' => [
            ['mass' => 181.436948, 'legs' => [['angle' => 30, 'rating' => 250], ['angle' => 20, 'rating' => 250]], 'parts' => [
                ['name' => 'hook', 'rating' => 453.59237],
            ]],
            ['mass' => '400 lb', 'legs' => '30° 250 kg; 20° 0.25 t', 'parts' => 'hook 1000 lb'],
        ],
        'mount-share' => [
            [
                'mounts' => [
                    ['name' => 'left', 'x' => -304.8, 'y' => 200, 'kx' => 120, 'ky' => 180, 'kind' => 'rubber'],
                    ['name' => 'right', 'x' => 320, 'y' => 180, 'kx' => 120, 'ky' => 180, 'kind' => 'pu'],
                ],
                'torque' => 900, 'engine' => ['mass' => 180, 'inertia' => 8, 'cylinders' => 4, 'idle' => 750], 'hardness' => 55,
                'hardness_new' => 75,
            ],
            [
                'mounts' => 'left -1 ft 20 cm 120 180 kN/m rubber; right 320 180 120 180 pu', 'torque' => '90 daN·m',
                'engine' => '180 kg 8 4 750', 'hardness' => '55', 'hardness_new' => '75',
            ],
        ],
        'belt-path' => [
            ['pulleys' => [
                ['name' => 'crank', 'x' => 0, 'y' => 0, 'd' => 152.4, 'side' => 'ribs', 'drives' => true],
                ['name' => 'pump', 'x' => 254, 'y' => 0, 'd' => 100],
            ], 'section' => 'PK', 'be' => 2, 'tb' => 1.27],
            ['pulleys' => 'crank 0 0 6 in drives; pump 10 in 0 10 cm', 'section' => 'pk', 'be' => '2 mm', 'tb' => '50 thou'],
        ],
        'belt-fit' => [
            [
                'pulleys' => DriveReading::EXAMPLE, 'tensioner' => [
                    'pivot' => [169, 159], 'arm' => 61, 'free' => 175, 'window' => [160, 125],
                ],
                'belt' => 1570, 'be' => 2, 'tb' => 1.2,
            ],
            [
                'pulleys' => DriveReading::EXAMPLE, 'tensioner' => 'tensioner 169 mm 159 6.1 cm 175° 160 125', 'belt' => '6PK1570',
                'be' => '2 mm', 'tb' => '0.12 cm',
            ],
        ],
        'pulley-change' => [
            [
                'crank' => 152.4, 'crank_new' => 160, 'old' => 76.2, 'new' => 68, 'redline' => 6800, 'limit' => 16000,
                'pressure_ratio_old' => 1.5, 'altitude' => 304.8,
            ],
            [
                'crank' => '6 in', 'crank_new' => '16 cm', 'old' => '3 in', 'new' => '68 mm', 'redline' => '6800 rpm',
                'limit' => '16000 r/min',
                'pressure_ratio_old' => '1 1/2', 'altitude' => '1000 ft',
            ],
        ],
        'belt-slip' => [
            [
                'ribs' => 8, 'wrap' => 180, 'slack_tension' => 444.82216152605, 'power' => 36.7749375, 'speed' => 14000, 'd' => 76.2,
                'friction' => 0.35,
            ],
            [
                'ribs' => '8', 'wrap' => 'half turn', 'slack_tension' => '100 lbf', 'power' => '50 PS', 'speed' => '14000 rpm',
                'd' => '3 in',
                'friction' => '0.35',
            ],
        ],
        'belt-code' => [['code' => '6PK1915'], ['code' => '6 pk 1915']],
        'belt-note' => [
            ['mass' => 0.114, 'span' => 254, 'note' => 96, 'least' => 200, 'most' => 444.82216152605],
            ['mass' => '0.114 kg', 'span' => '10 in', 'note' => '96 Hz', 'least' => '0.2 kN', 'most' => '100 lbf'],
        ],
        'press-fit' => [
            [
                'shaft' => 32, 'bore' => 31.965, 'hub' => 60, 'hollow' => 12.7, 'length' => 25.4, 'temperature' => [20, 30],
                'roughness' => [0.004, 0.006], 'materials' => [['name' => 'steel', 'yield' => 400], 'cast iron 250'], 'friction' => 0.12,
                'clearance' => 0.05, 'bonded' => true,
            ],
            [
                'shaft' => '3.2 cm', 'bore' => '31965 µm', 'hub' => '6 cm', 'hollow' => '1/2 in', 'length' => '1 in',
                'temperature' => '68 °F; 30 °C', 'roughness' => '4 µm; 6 µm', 'materials' => 'steel 400 MPa; iron 250',
                'friction' => '0.12',
                'clearance' => '50 µm', 'bonded' => 'yes',
            ],
        ],
        'press-screw' => [
            [
                'force' => 26000, 'screw' => 'M16', 'material' => 'steel', 'friction' => 0.12, 'face' => ['radius' => 12.7],
                'travel' => 25.4,
                'engaged' => 20, 'bolts' => [['thread' => 'M8', 'engaged' => 12.7], ['thread' => 'M8', 'engaged' => 12.7]],
                'curve' => [[0, 20], [10, 60], [25, 60], [25.3, 130]],
            ],
            [
                'force' => '26 kN', 'screw' => 'M16x2', 'material' => 'Steel', 'friction' => '0.12; 0.12', 'face' => '1/2 in',
                'travel' => '1 in', 'engaged' => '2 cm', 'bolts' => 'M8 1/2 in; M8x1.25 12.7 mm', 'curve' => '0 20; 10 60; 25 60; 25.3 130',
            ],
        ],
        'drive-wear' => [
            ['cracks' => 4, 'rib_new' => 2.54, 'rib_now' => 2.1, 'swing' => 2, 'play' => 0.3, 'spin' => 720, 'glazed' => true],
            [
                'cracks' => '4', 'rib_new' => '100 thou', 'rib_now' => '0.21 cm', 'swing' => '2 mm', 'play' => '300 µm',
                'spin' => '2 turns',
                'glazed' => 'yes',
            ],
        ],
        'belt-line' => [
            [
                'gap' => 1.5, 'gap_far' => 1.5, 'across' => 60, 'span' => 254, 'rim' => 3, 'rim_fixed' => 3, 'run_out' => 0.1,
                'rib_old' => 11.2,
                'rib_new' => 11.4,
            ],
            [
                'gap' => '1.5 mm', 'gap_far' => '0.15 cm', 'across' => '6 cm', 'span' => '10 in', 'rim' => '3 mm', 'rim_fixed' => '0.3 cm',
                'run_out' => '100 µm', 'rib_old' => '1.12 cm', 'rib_new' => '11.4 mm',
            ],
        ],
        'chain-travel' => [
            ['travel' => 9.5, 'limit' => 12.7, 'rattle' => 4, 'sinks' => true],
            ['travel' => '0.95 cm', 'limit' => '1/2 in', 'rattle' => '4 s', 'sinks' => 'yes'],
        ],
        'blow-off' => [
            [
                'diameter' => 63.5, 'pressure' => 150, 'clamp' => 't-bolt', 'screw_torque' => 5, 'screw' => 'M6', 'friction' => 0.25,
                'bead' => 25,
            ],
            [
                'diameter' => '2.5 in', 'pressure' => '1.5 bar', 'clamp' => 'T-bolt', 'screw_torque' => '500 N·cm', 'screw' => 'M6',
                'friction' => 'damp', 'bead' => 'yes',
            ],
        ],
        'leak-decay' => [
            ['volume' => 12, 'from' => 100, 'to' => 80, 'seconds' => 30, 'temperature' => 20, 'boost' => 110, 'flow' => 200],
            [
                'volume' => '12000 mL', 'from' => '1 bar', 'to' => '0.8 bar', 'seconds' => '0.5 min', 'temperature' => '68 °F',
                'boost' => '1.1 bar', 'flow' => '720 kg/h',
            ],
        ],
        'charge-cooler' => [
            [
                'before' => 118, 'after' => 42, 'ambient' => 24, 'pressure_before' => 105, 'pressure_after' => 98,
                'first' => ['before' => 118, 'after' => 61, 'ambient' => 24], 'compressor' => [
                    'ratio' => 2, 'efficiency' => 0.72, 'inlet' => 25,
                ],
            ],
            [
                'before' => '118 °C', 'after' => '42 °C', 'ambient' => '24 °C', 'pressure_before' => '1.05 bar',
                'pressure_after' => '0.98 bar', 'first' => '118 61 24', 'compressor' => '2 72 25',
            ],
        ],
        'charge-path' => [
            [
                'engine' => ['litres' => 2, 'rpm' => 6500, 'efficiency' => 0.95], 'boost' => 110, 'temperature' => 45,
                'sections' => [
                    ['name' => 'hot', 'd' => 50.8, 'length' => 600, 'bends' => [[90, 76]]], ['name' => 'cold', 'd' => 57, 'length' => 900],
                ],
                'sizes' => [50.8, 57, 63.5],
            ],
            [
                'engine' => '2 L 6500 rpm 95', 'boost' => '1.1 bar', 'temperature' => '45 °C',
                'sections' => 'hot 2 in 60 cm 90/76; cold 57 900 mm', 'sizes' => '50.8; 57; 63.5',
            ],
        ],
        'coupler-match' => [
            [
                'ends' => [
                    [
                        'name' => 'turbo', 'a' => 50.8, 'b' => 57, 'angle' => 90, 'bead' => true,
                    ], ['name' => 'throttle', 'a' => 63.5, 'b' => 63.5],
                ],
                'couplers' => [['name' => 'elbow', 'a' => 57, 'b' => 51, 'angle' => 90], ['name' => 'straight', 'a' => 63, 'b' => 63]],
                'clamps' => [['name' => 'small', 'min' => 55, 'max' => 70], ['name' => 'large', 'min' => 65, 'max' => 80]],
            ],
            [
                'ends' => 'turbo 2 in 57 90° bead; throttle 63.5', 'couplers' => 'elbow 57 51 90; straight 6.3 cm 63',
                'clamps' => 'small 55 70; large 65 80',
            ],
        ],
        'gate-preload' => [
            [
                'cracks' => 48, 'rate' => 7.5, 'pitch' => 1, 'step' => 0.5, 'wanted' => 70, 'travel' => 14, 'needed' => 9, 'stated' => 2.54,
                'stated_turns' => 2.5,
            ],
            [
                'cracks' => '0.48 bar', 'rate' => '7.5', 'pitch' => '0.1 cm', 'step' => '1/2', 'wanted' => '0.7 bar', 'travel' => '1.4 cm',
                'needed' => '9 mm', 'stated' => '0.1 in', 'stated_turns' => '2.5',
            ],
        ],
        'actuator-test' => [
            [
                'samples' => [[0, 0], [40, 0], [48, 0], [63, 2], [78, 4], [93, 6], [105, 6], [90, 5.7], [60, 1.7], [0, 0]], 'label' => 48,
                'full' => 6, 'hold' => [100, 99, 20],
            ],
            [
                'samples' => '0 0; 40 0; 48 0; 63 2; 78 4; 93 6; 105 6; 90 5.7; 60 1.7; 0 0', 'label' => '0.48 bar', 'full' => '0.6 cm',
                'hold' => '100 99 20',
            ],
        ],
        'boost-run' => [
            [
                'samples' => [[0, 2500, 10, 100], [1, 3000, 60, 100], [2, 3600, 99, 100], [3, 4200, 100, 100], [4, 5000, 101, 100]],
                'target' => 100, 'limit' => 130,
            ],
            [
                'samples' => '0 2500 10 100; 1 3000 60 100; 2 3600 99 100; 3 4200 100 100; 4 5000 101 100', 'target' => '1 bar',
                'limit' => '1.3 bar',
            ],
        ],
        'plug-gap' => [
            [
                'boost' => 100, 'ratio' => 9.5, 'advance' => 18, 'charge_temperature' => 50, 'range' => [0.6, 0.8], 'coil' => 40,
                'wear' => 0.1,
            ],
            [
                'boost' => '1 bar', 'ratio' => '9.5', 'advance' => '18°', 'charge_temperature' => '122 °F', 'range' => '0.6-0.8 mm',
                'coil' => '40000 V', 'wear' => '100 µm',
            ],
        ],
        'plug-set' => [
            [
                'plugs' => [
                    ['cylinder' => 1, 'gap' => 0.92, 'look' => 'even tan'], ['cylinder' => 2, 'gap' => 0.94, 'look' => 'even tan'],
                    ['cylinder' => 3, 'gap' => 1.15, 'look' => 'white'], ['cylinder' => 4, 'gap' => 0.91, 'look' => 'even tan'],
                ], 'new_gap' => 0.8, 'km' => 48000,
            ],
            ['plugs' => '1 0.92 tan; 2 0.94 tan; 3 1.15 white; 4 0.91 tan', 'new_gap' => '0.08 cm', 'km' => '48000 km'],
        ],
        'volt-drop' => [
            [
                'rest' => 12.6, 'crank' => 10.4, 'stud' => 9.3, 'ground' => 0.35, 'current' => 180, 'temperature' => 20,
                'kind' => 'flooded',
            ],
            [
                'rest' => '12600 mV', 'crank' => '10.4 V', 'stud' => '9.3 volts', 'ground' => '350 mV', 'current' => '180 amps',
                'temperature' => '68 °F', 'kind' => 'Flooded',
            ],
        ],
        'cause' => [
            [
                'table' => [
                    'causes' => [['id' => 'a', 'prior' => 0.6], ['id' => 'b', 'prior' => 0.4]],
                    'checks' => [[
                        'id' => 'q', 'minutes' => 2, 'answers' => [['id' => 'yes'], ['id' => 'no']],
                        'chances' => ['a' => [0.9, 0.1], 'b' => [0.2, 0.8]],
                    ]],
                ],
                'findings' => [['check' => 'q', 'answer' => 'yes']], 'confirmed' => ['b' => 2],
            ],
            [
                'table' => '{"causes":[{"id":"a","prior":0.6},{"id":"b","prior":0.4}],"checks":[{"id":"q","minutes":2,'
                    .'"answers":[{"id":"yes"},{"id":"no"}],"chances":{"a":[0.9,0.1],"b":[0.2,0.8]}}]}',
                'findings' => 'q yes', 'confirmed' => 'b 2',
            ],
        ],
        'photo-plane' => [
            [
                'marks' => [[300, 200, 0, 0], [1032, 216, 100, 0], [1006, 690, 100, 70], [322, 682, 0, 70]],
                'points' => [[424, 330], [716, 560], [726, 340]], 'measure' => [[[0, 1]], [[0, 2, 1]], []], 'distance' => 500, 'off' => 5,
            ],
            [
                'marks' => '300 200 0 0; 1032 216 100 0; 1006 690 100 70; 322 682 0 70', 'points' => '424 330; 716 560; 726 340',
                'measure' => '1-2; 1-3-2', 'distance' => '50 cm', 'off' => '0.5 cm',
            ],
        ],
        'time-learned' => [
            ['planned' => [20, 30, 50], 'done' => [40, 45, 38]], ['planned' => '20; 0.5 h; 50 min', 'done' => '40; 45 min; 38'],
        ],
        'disc-stack' => [
            [
                'spring' => ['De' => 50, 'Di' => 25.4, 't' => 3, 'l0' => 4.1], 'arrangement' => '2p 3s', 'height' => 19.5, 'travel' => 0.6,
                'faces' => 2, 'outer' => 80, 'inner' => 56, 'friction' => 0.12,
                'trials' => [['arrangement' => 'u u d d u u', 'height' => 19.5, 'pulls' => [140, 146, 151]]], 'target' => 120, 'band' => 10,
                'stock' => ['discs' => 6, 'shims' => [0.2, 0.3]],
            ],
            [
                'spring' => '5 cm 1 in 3 mm 4.1 mm', 'arrangement' => 'uudduu', 'height' => '1.95 cm', 'travel' => '600 µm',
                'faces' => '2',
                'outer' => '8 cm', 'inner' => '5.6 cm', 'friction' => '0.12', 'trials' => '2p 3s 19.5: 140 146 151',
                'target' => '12 daN·m',
                'band' => '10 %', 'stock' => '6; 0.2 0.3',
            ],
        ],
        'torque-check' => [
            ['stated' => '23.05 N·m', 'thread' => 'M8', 'grade' => '8.8'],
            ['stated' => '17.0008 lbf·ft', 'thread' => 'M8x1.25', 'grade' => 8.8],
        ],
        'wrench-set' => [
            ['target' => 25, 'lever' => 304.8, 'adapter' => 25.4, 'adapter_angle' => 90],
            ['target' => '25 N·m', 'lever' => '12 in', 'adapter' => '1 in', 'adapter_angle' => 'quarter turn'],
        ],
        'torque-estimate' => [
            ['thread' => 'M8', 'share' => 65, 'material' => 'steel', 'engagement' => 12.7],
            ['thread' => 'M8x1.25', 'share' => '65 %', 'material' => 'Steel', 'engagement' => '1/2 in'],
        ],
        'angle-tighten' => [
            ['thread' => 'M10', 'snug' => 20, 'angle' => 90, 'shank' => 25.4, 'threaded' => 12.7, 'swing' => 30],
            [
                'thread' => 'M10x1.5', 'snug' => '20 Nm', 'angle' => 'quarter turn', 'shank' => '1 in', 'threaded' => '1/2 in',
                'swing' => '1/2 flat',
            ],
        ],
        'part-turn' => [
            ['target' => 20, 'thread' => 'M8', 'shank' => 25.4, 'threaded' => 12.7, 'snug' => 5],
            ['target' => '2000 N·cm', 'thread' => 'm8', 'shank' => '1 inch', 'threaded' => '0.5 in', 'snug' => '0.5 daN·m'],
        ],
        'wrench-pick' => [
            ['targets' => [9, 25], 'kit' => [['name' => 'a', 'min' => 5, 'max' => 25, 'error' => 4]]],
            ['targets' => '9 N·m; 25 Nm', 'kit' => 'a, 5 N·m, 2.5 daN·m, 4 %'],
        ],
        'tighten-order' => [
            ['layout' => 'ring 5', 'passes' => [50, 100], 'target' => 20],
            ['layout' => ['ring' => 5], 'passes' => '50 %; 100 %', 'target' => '20 Nm'],
        ],
        'even-take-up' => [
            ['gap' => 2.54, 'thread' => 'M8', 'count' => 4, 'step' => 180],
            ['gap' => '100 thou', 'thread' => 'M8', 'count' => '4', 'step' => 'half turn'],
        ],
        'thread-engagement' => [
            ['thread' => 'M8', 'material' => 'cast iron', 'engagement' => 12.7, 'safety' => 1.25, 'shear_strength' => 230],
            ['thread' => 'M8', 'material' => 'iron', 'engagement' => '1/2 in', 'safety' => '1.25', 'shear_strength' => '230 MPa'],
        ],
        'thread-gauge' => [['diameter' => 7.9, 'pitch' => 1.25], ['diameter' => '0.79 cm', 'pitch' => '1250 µm']],
        'thread-compound' => [
            ['thread' => 'M8', 'heat' => 100, 'turns' => true, 'stated' => 25, 'ambient' => 20],
            ['thread' => 'M8', 'heat' => '212 °F', 'turns' => 'yes', 'stated' => '25 Nm', 'ambient' => '68 °F'],
        ],
        'bolt-reuse' => [['old' => 101.7, 'new' => 101.6, 'limit' => 102], ['old' => '101.7 mm', 'new' => '4 in', 'limit' => '10.2 cm']],
        'trace-judge' => [
            ['samples' => [[0, 0], [10, 2], [20, 4], [30, 6], [40, 8], [50, 10], [60, 12]], 'spec' => 12],
            ['samples' => "0 0\n10 2\n20 4\n30 6\n40 8\n50 10\n60 12", 'spec' => ['torque' => '12 Nm']],
        ],
        'coolant-mix' => [
            ['capacity' => 9.46352946, 'drained' => 3.78541178, 'present' => 30, 'target' => 50, 'product' => 100],
            ['capacity' => '10 qt', 'drained' => '1 gal', 'present' => '30 %', 'target' => '50 percent', 'product' => '100%'],
        ],
        'coolant-protect' => [
            ['base' => 'eg', 'percent' => 45, 'cap' => 110, 'altitude' => 1200, 'coldest' => -20],
            ['base' => 'Ethylene glycol', 'percent' => '45 %', 'cap' => '1.1 bar', 'altitude' => '3937.0079 ft', 'coldest' => '-4 °F'],
        ],
        'vacuum-fill' => [
            ['barometer' => 90, 'temperature' => 20, 'volume' => 3.785411784, 'pulled' => 80, 'hold_end' => 79, 'hold_minutes' => 5],
            [
                'barometer' => '900 mbar', 'temperature' => '68 °F', 'volume' => '1 gal', 'pulled' => '0.8 bar',
                'hold_end' => '79 kPa', 'hold_minutes' => '300 s',
            ],
        ],
        'coolant-level' => [
            ['volume' => 7.570823568, 'percent' => 50, 'cold' => 15, 'hot' => 90, 'marks' => 0.5, 'topped_up' => 0.2],
            ['volume' => '2 gal', 'percent' => '50%', 'cold' => '59 F', 'hot' => '194 °F', 'marks' => '500 ml', 'topped_up' => '200 cc'],
        ],
        'warm-up' => [
            ['samples' => [[0, 20], [60, 30], [120, 40], [180, 50], [240, 60], [300, 70], [360, 80]], 'opens' => 90, 'ambient' => 20],
            ['samples' => "0 20\n60 30\n120 40\n180 50\n240 60\n300 70\n360 80", 'opens' => '194 °F', 'ambient' => '68 °F'],
        ],
        'thermostat-test' => [
            ['opens' => 90, 'opened' => 85, 'full_open' => 100, 'closed' => 80, 'lift' => 7.62, 'lift_wanted' => 8],
            [
                'opens' => '194 °F', 'opened' => '185 F', 'full_open' => '212 °F', 'closed' => '176 °F', 'lift' => '0.3 in',
                'lift_wanted' => '8 mm',
            ],
        ],
        'oil-fill' => [
            [
                'capacity' => 4.73176473, 'drained' => 4.2, 'filter' => 'changed, 0.3 L', 'housing' => 0.2, 'dip_mm' => 12.7,
                'litre_per_mm' => 0.06, 'target_mm' => 20,
            ],
            [
                'capacity' => '5 qt', 'drained' => '4200 ml', 'filter' => ['changed' => true, 'volume' => '300 ml'],
                'housing' => '0.2 L', 'dip_mm' => '1/2 in', 'litre_per_mm' => '0.06', 'target_mm' => '2 cm',
            ],
        ],
        'face-seal' => [
            ['width' => 14, 'length' => 420, 'gap' => 0.1524, 'faces' => 'cast', 'fluid' => 'oil', 'was' => 'silicone', 'temperature' => 8],
            [
                'width' => '1.4 cm', 'length' => '0.42 m', 'gap' => '6 thou', 'faces' => 'cast', 'fluid' => 'oil', 'was' => 'silicone',
                'temperature' => '46.4 °F',
            ],
        ],
        'bolt-spacing' => [
            ['pitch' => 50.8, 'd' => 6, 'thickness' => 8, 'gasket' => 'fibre'],
            ['pitch' => '2 in', 'd' => '0.6 cm', 'thickness' => '8 mm', 'gasket' => 'fibre'],
        ],
        'mount-tired' => [
            ['old' => '58; 61', 'new' => '64; 63', 'rock_before' => 34, 'rock_after' => 18],
            ['old' => ['5.8 cm', '61 mm'], 'new' => ['64', '6.3 cm'], 'rock_before' => '3.4 cm', 'rock_after' => '18 mm'],
        ],
        'seal-squeeze' => [
            ['section' => 3.175, 'inner' => 44, 'depth' => 2.54, 'width' => 4.7, 'groove_inner' => 45],
            ['section' => '1/8 in', 'inner' => '4.4 cm', 'depth' => '100 thou', 'width' => '4.7 mm', 'groove_inner' => '45 mm'],
        ],
        'clamp-size' => [
            ['outside' => 38.1, 'inside' => 30, 'spigot' => 31, 'behind_bead' => 20],
            ['outside' => '1 1/2 in', 'inside' => '3 cm', 'spigot' => '31 mm', 'behind_bead' => '20 mm'],
        ],
    ];

    #[DataProvider('sums')]
    public function testEverySumKeepsTheContract(string $name): void
    {
        $book = Doors::book();
        $sum = $book->named($name);
        self::assertSame($name, $sum->about()->name);
        self::assertNotSame('', $sum->about()->summary);
        [$plain, $other] = self::same($name);
        $result = $book->run($name, $plain);
        $array = $result->toArray();
        self::assertSame(['sum', 'inputs', 'values', 'verdict', 'checks', 'working'], array_keys($array));
        self::assertNotSame([], $result->working);
        foreach ($result->working as $line) {
            foreach ([$line->label, $line->formula, $line->with, $line->result, $line->source] as $part) {
                self::assertNotSame('', $part, $line->label);
            }
        }
        foreach ($result->values as $value) {
            self::assertTrue(
                null !== Unit::tryFrom($value->unit) || in_array(
                    $value->unit, ['ratio', 'count', 'number', 'name', 'N·m/deg', 'Pa·L/s', 'degC/min', 'Hz', 'mm²', 'kPa/mm',
                        'mΩ'], true,
                ),
                $value->unit,
            );
        }
        self::assertSame(max(0, ...array_map(static fn (Check $c): int => $c->level->rank(), $result->checks)), $result->verdict->rank());
        $same = $book->run($name, $other);
        foreach ($result->values as $key => $value) {
            self::assertEqualsWithDelta(
                $value->value, $same->values[$key]->value,
                1e-3 * max(1.0, 0.0, ...array_map(static fn (float|string $v): float => is_float($v) ? abs($v) : 0.0, $value->entries())),
                $key,
            );
        }
        self::assertSame($result->verdict, $same->verdict);
    }

    #[DataProvider('sums')]
    public function testEveryNeededFieldIsMissed(string $name): void
    {
        $needed = array_filter(Doors::book()->named($name)->about()->fields(), static fn (Field $one): bool => $one->required);
        self::assertTrue([] !== $needed || in_array($name, ['drive-wear', 'cause'], true), 'any one of them will do');
        foreach ($needed as $field) {
            foreach ([null, '', '   '] as $nothing) {
                try {
                    Doors::book()->run($name, [$field->name => $nothing] + self::same($name)[0]);
                    self::fail($field->name.' was not missed.');
                } catch (InvalidInput $e) {
                    self::assertSame($field->name, $e->field);
                    self::assertStringContainsString($field->example, $e->getMessage());
                }
            }
        }
    }

    #[DataProvider('sums')]
    public function testNonsenseInAnyFieldIsAnErrorThatNamesIt(string $name): void
    {
        $fields = array_filter(Doors::book()->named($name)->about()->fields(), static fn (Field $f): bool => null !== $f->kind);
        $tried = 0;
        foreach ($fields as $field) {
            foreach (['nonsense', '12 bananas', -5, '--', '1/0', [], true, \INF, \NAN, 1e30, "5\0", str_repeat('7', 300)] as $bad) {
                if (-5 === $bad && true === $field->kind?->mayBeNegative()) {
                    continue;
                }
                ++$tried;
                try {
                    Doors::book()->run($name, [$field->name => $bad] + self::same($name)[0]);
                    self::fail(sprintf('%s took %s.', $field->name, is_scalar($bad) ? var_export($bad, true) : gettype($bad)));
                } catch (InvalidInput $e) {
                    self::assertSame($field->name, $e->field);
                    self::assertNotSame('', $e->getMessage());
                }
            }
        }
        self::assertTrue($tried > 0 || in_array(
            $name, [
                'cause', 'photo-plane', 'time-learned', 'torque-check', 'wrench-pick', 'trace-judge', 'belt-code', 'coupler-match',
            ], true,
        ));
    }

    /** @return array{array<string, mixed>, array<string, mixed>} the same twice; without a line the example, bare and with units */
    private static function same(string $name): array
    {
        $about = Doors::book()->named($name)->about();
        $bare = $about->example();
        foreach ($about->fields() as $field) {
            if (null !== $field->kind && isset($bare[$field->name])) {
                $bare[$field->name] = Notation::read($field->kind, $bare[$field->name])->value();
            }
        }

        return self::SAME[$name] ?? [$bare, $about->example()];
    }

    /** @return iterable<string, array{string}> */
    public static function sums(): iterable
    {
        foreach (array_keys(Doors::book()->all()) as $name) {
            yield $name => [$name];
        }
    }

    public function testASumNobodyKnowsIsAnError(): void
    {
        $this->expectException(InvalidInput::class);
        $this->expectExceptionMessageMatches('/torque-check, torque-estimate, .*coolant-mix/');
        Doors::book()->run('magic', []);
    }

    public function testAFieldNobodyKnowsIsAnError(): void
    {
        $this->expectException(InvalidInput::class);
        $this->expectExceptionMessageMatches('/use target, lever, adapter/');
        Doors::book()->run('wrench-set', ['colour' => 'red']);
    }

    /** @param array<string, mixed> $inputs */
    #[DataProvider('lists')]
    public function testABadLineOfAListIsNumbered(string $sum, array $inputs, string $said): void
    {
        $this->expectException(InvalidInput::class);
        $this->expectExceptionMessageMatches($said);
        Doors::book()->run($sum, $inputs);
    }

    /** @return iterable<string, array{string, array<string, mixed>, string}> */
    public static function lists(): iterable
    {
        $wrench = ['name' => 'a', 'min' => 5, 'max' => 50];
        yield 'a wrench' => ['wrench-pick', ['targets' => '20 N·m', 'kit' => [$wrench, $wrench, 7]], '/Wrench 3\b/'];
        yield 'the first wrench' => ['wrench-pick', ['targets' => '20 N·m', 'kit' => [true]], '/Wrench 1\b/'];
        yield 'a sample' => ['warm-up', ['samples' => [[0, 20], [60, 'x']], 'opens' => '88'], '/\b2\b/'];
    }

    public function testFlagsAreReadInWords(): void
    {
        $fields = [Field::flag('f', 'f')];
        foreach ([true, 'true', 'YES', '1', 'on', 1] as $yes) {
            self::assertTrue(Inputs::of(['f' => $yes], $fields)->flag('f'));
        }
        foreach ([false, 'false', 'no', '0', 'off', 0] as $no) {
            self::assertFalse(Inputs::of(['f' => $no], $fields)->flag('f'));
        }
        self::assertFalse(Inputs::of([], $fields)->flag('f'));
        $this->expectException(InvalidInput::class);
        Inputs::of(['f' => 'perhaps'], $fields)->flag('f');
    }

    public function testNumbersInTheWorkingAreShortAndTrue(): void
    {
        self::assertSame('0', Show::n(0.0));
        self::assertSame('2.464', Show::n(2.464));
        self::assertSame('23.05', Show::n(23.048905));
        self::assertSame("18\u{202F}132", Show::n(18131.528));
        self::assertSame('0.00012', Show::n(0.00012));
        self::assertSame('-3.5', Show::n(-3.5));
        mt_srand(2);
        for ($i = 0; $i < 500; ++$i) {
            $value = mt_rand(1, 1_000_000) / 10 ** mt_rand(0, 6);
            self::assertEqualsWithDelta($value, (float) str_replace("\u{202F}", '', Show::n($value)), max(0.5, abs($value)) * 1e-3);
        }
    }

    public function testTheGravestCheckIsTheHeadline(): void
    {
        $result = new SumResult(
            'x', [], ['list' => Value::listOf([1.0, 2.0], 'mm')],
            [Check::ok('a', 'fine'), Check::stop('b', 'not fine'), Check::watch('c', 'look')], [],
        );
        self::assertSame(Level::Stop, $result->verdict);
        self::assertSame('not fine', $result->headline());
        self::assertFalse($result->has('nothing'));
        $this->expectException(\LogicException::class);
        $result->number('list');
    }
}
