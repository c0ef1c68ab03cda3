<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\BeltDrive;

use NimbleKnuckle\Core\BeltDrive\BeltDrawing;
use NimbleKnuckle\Core\BeltDrive\BeltPath;
use NimbleKnuckle\Core\BeltDrive\BeltSection;
use NimbleKnuckle\Core\BeltDrive\Pulley;
use NimbleKnuckle\Core\BeltDrive\Side;
use NimbleKnuckle\Core\BeltDrive\Tensioner;
use PHPUnit\Framework\TestCase;

/** What is drawn of a drive lies where the drive lies: measured in the picture, y down. */
final class BeltDrawingTest extends TestCase
{
    private const ARM = 2;

    /** @return list<Pulley> */
    private static function drive(): array
    {
        return [
            new Pulley('crank', 0, 0, 152, drives: true), new Pulley('alternator', 225, 150, 62),
            new Pulley('tensioner', 120, 196, 76, Side::Back),
            new Pulley('blower', 40, 330, 74), new Pulley('idler', -52, 214, 70, Side::Back), new Pulley('pump', -176, 150, 128),
        ];
    }

    /**
     * The arcs of a path: where each begins, its radius, its flags, where it ends.
     *
     * @return list<array{float, float, float, int, int, float, float}>
     */
    private static function arcs(string $path): array
    {
        $n = '(-?[\d.]+)';
        preg_match_all("~(?:[ML]{$n} {$n} )A{$n} {$n} 0 (\\d) (\\d) {$n} {$n}~", $path, $m, \PREG_SET_ORDER);

        return array_map(static function (array $one): array {
            self::assertSame($one[3], $one[4], 'an arc of a circle');

            return [(float) $one[1], (float) $one[2], (float) $one[3], (int) $one[5], (int) $one[6], (float) $one[7], (float) $one[8]];
        }, $m);
    }

    /** Degrees that an arc goes round a centre, by its own flag of the way, y down. */
    private static function turned(float $x, float $y, float $fromX, float $fromY, float $toX, float $toY, int $sweep): float
    {
        $turn = rad2deg(atan2($toY - $y, $toX - $x) - atan2($fromY - $y, $fromX - $x)) * (1 === $sweep ? 1 : -1);

        return fmod($turn + 720.0, 360.0);
    }

    public function testTheBeltLiesRoundEachPulleyAsFarAsItIsWrapped(): void
    {
        $path = BeltPath::of(self::drive(), BeltSection::common());
        $drawn = BeltDrawing::of(self::drive(), $path, clockwise: true);
        $arcs = self::arcs($drawn->belt);
        self::assertCount(6, $arcs);
        self::assertStringEndsWith(' Z', $drawn->belt);
        $end = sscanf($drawn->belt, 'M%f %f') ?? [];
        self::assertEqualsWithDelta([$arcs[5][5], $arcs[5][6]], $end, 0.011, 'it closes where it began');
        foreach ($arcs as $i => [$fromX, $fromY, $r, $isLong, $sweep, $toX, $toY]) {
            $pulley = self::drive()[($i + 1) % 6];
            self::assertEqualsWithDelta($pulley->pitchRadius(BeltSection::common()), $r, 0.006, $pulley->name);
            self::assertEqualsWithDelta($r, hypot($fromX - $pulley->x, $fromY + $pulley->y), 0.02, $pulley->name);
            self::assertEqualsWithDelta($r, hypot($toX - $pulley->x, $toY + $pulley->y), 0.02, $pulley->name);
            $turned = self::turned($pulley->x, -$pulley->y, $fromX, $fromY, $toX, $toY, $sweep);
            self::assertEqualsWithDelta($path->wraps[($i + 1) % 6], $turned, 0.05, $pulley->name);
            self::assertSame($turned > 180 ? 1 : 0, $isLong);
        }
        foreach ($drawn->pulleys as $i => $one) {
            $pulley = self::drive()[$i];
            self::assertSame([$pulley->name, $pulley->x, -$pulley->y, $pulley->d / 2], [$one['name'], $one['x'], $one['y'], $one['r']]);
            self::assertSame([0 === $i, $path->wraps[$i], $pulley->side->value], [$one['drives'], $one['degrees'], $one['side']]);
            self::assertSame(Side::Ribs === $pulley->side, $one['clockwise'], 'ribs turn with the crank, the back against it');
            [$arc] = self::arcs($one['wrap']);
            self::assertEqualsWithDelta(max(0.36 * $pulley->d, $pulley->d / 2 - 9), $arc[2], 0.006, 'well inside the rim');
            self::assertEqualsWithDelta($arc[2], hypot($arc[0] - $pulley->x, $arc[1] + $pulley->y), 0.02);
            self::assertEqualsWithDelta(
                $path->wraps[$i], self::turned($pulley->x, -$pulley->y, $arc[0], $arc[1], $arc[5], $arc[6], $arc[4]), 0.1,
            );
            self::assertSame($path->wraps[$i] > 180 ? 1 : 0, $arc[3]);
        }
    }

    /** A long way round one pulley is drawn the long way. */
    public function testMoreThanHalfRoundIsTheLongArc(): void
    {
        $drive = [new Pulley('crank', 0, 0, 200), new Pulley('pump', 300, 0, 60)];
        $path = BeltPath::of($drive, BeltSection::common());
        $drawn = BeltDrawing::of($drive, $path);
        self::assertSame([0, 1], array_column(self::arcs($drawn->belt), 3));
        self::assertSame([1, 0], array_map(static fn (array $one): int => self::arcs($one['wrap'])[0][3], $drawn->pulleys));
        self::assertSame([1, 0], array_map(static fn (int $at): int => self::arcs(BeltDrawing::laid($path, [$at]))[0][3], [0, 1]));
        $apart = self::arcs(BeltDrawing::laid($path, [0, 1]));
        self::assertCount(2, $apart);
    }

    public function testChevronsPointTheWayItRuns(): void
    {
        $path = BeltPath::of(self::drive(), BeltSection::common());
        // Given counter-clockwise, so that a crank that turns clockwise drives it the other way.
        foreach ([[true, 180.0], [false, 0.0]] as [$clockwise, $more]) {
            $drawn = BeltDrawing::of(self::drive(), $path, clockwise: $clockwise);
            self::assertSame([$clockwise, !$clockwise], [$drawn->pulleys[0]['clockwise'], $drawn->pulleys[self::ARM]['clockwise']]);
            foreach ($path->spans as $i => $span) {
                [$dx, $dy] = [$span->end[0] - $span->start[0], -($span->end[1] - $span->start[1])];
                $chevron = $drawn->chevrons[$i];
                self::assertEqualsWithDelta($span->start[0] + $dx / 2, $chevron['x'], 1e-9);
                self::assertEqualsWithDelta(-$span->start[1] + $dy / 2, $chevron['y'], 1e-9);
                $off = fmod($chevron['angle'] - rad2deg(atan2($dy, $dx)) - $more + 1080.0, 360.0);
                self::assertEqualsWithDelta(0.0, min($off, 360 - $off), 1e-6);
            }
        }
    }

    public function testLaidSoFarItLiesRoundThoseAlone(): void
    {
        $path = BeltPath::of(self::drive(), BeltSection::common());
        $laid = BeltDrawing::laid($path, [0, 1, 3]);
        $arcs = self::arcs($laid);
        self::assertCount(3, $arcs);
        foreach ([0, 1, 3] as $k => $at) {
            $pulley = self::drive()[$at];
            self::assertEqualsWithDelta($arcs[$k][2], hypot($arcs[$k][0] - $pulley->x, $arcs[$k][1] + $pulley->y), 0.02);
            self::assertEqualsWithDelta($pulley->pitchRadius(BeltSection::common()), $arcs[$k][2], 0.006);
            self::assertEqualsWithDelta(
                $path->wraps[$at], self::turned(
                    $pulley->x, -$pulley->y, $arcs[$k][0], $arcs[$k][1], $arcs[$k][5], $arcs[$k][6], $arcs[$k][4],
                ), 0.05,
            );
        }
        // Only from the crank to the alternator both ends lie.
        preg_match_all('~ L(-?[\d.]+) (-?[\d.]+)~', $laid, $m, \PREG_SET_ORDER);
        self::assertCount(1, $m);
        self::assertEqualsWithDelta([$path->spans[0]->end[0], -$path->spans[0]->end[1]], [(float) $m[0][1], (float) $m[0][2]], 0.006);
        self::assertSame(1, preg_match_all('~ L~', BeltDrawing::laid($path, [5, 0])), 'past the last comes the first');
        self::assertSame('', BeltDrawing::laid($path, []));
    }

    public function testTheArmStandsOnItsWindow(): void
    {
        $drive = self::drive();
        $tensioner = new Tensioner(169, 159, 61, 175, [160, 125]);
        $drawn = BeltDrawing::of($drive, null, $tensioner, 142.0, self::ARM);
        $arm = $drawn->arm ?? self::fail('There is an arm.');
        self::assertSame([169.0, -159.0, true], [$arm['x'], $arm['y'], $arm['inside']]);
        $far = 61 + 38 + 13;
        foreach ([
            ['tip', 142, $far], ['idler', 142, 61], ['near', 160, $far], ['far', 125, $far], ['free', 175, $far],
        ] as [$what, $angle, $r]) {
            self::assertEqualsWithDelta([169 + $r * cos(deg2rad($angle)), -159 - $r * sin(deg2rad($angle))], $arm[$what], 1e-9, $what);
        }
        [$window] = self::arcs($arm['window']);
        self::assertEqualsWithDelta((float) $far, $window[2], 0.006);
        self::assertEqualsWithDelta(35.0, self::turned(169, -159, $window[0], $window[1], $window[5], $window[6], $window[4]), 0.05);
        self::assertSame(0, $window[3]);
        $wide = BeltDrawing::of($drive, null, new Tensioner(169, 159, 61, 10, [20, 230]), 100.0, self::ARM)->arm['window'] ?? '';
        self::assertSame([1, 0], array_slice(self::arcs($wide)[0], 3, 2), 'the long way, and against the clock');
        foreach ([[160.0, true], [160.1, false], [125.0, true], [124.9, false]] as [$angle, $isInside]) {
            self::assertSame(
                $isInside, BeltDrawing::of($drive, null, $tensioner, $angle, self::ARM)->arm['inside'] ?? null, (string) $angle,
            );
        }
        $without = BeltDrawing::of($drive, null, $tensioner)->arm ?? self::fail('There is an arm.');
        self::assertEqualsWithDelta($without['free'], $without['tip'], 1e-9, 'where nothing is known it rests');
        self::assertEqualsWithDelta(61 + 13.0, hypot($without['tip'][0] - 169, $without['tip'][1] + 159), 1e-9);
        self::assertTrue($without['inside']);
        self::assertNull(BeltDrawing::of($drive, null)->arm);
    }

    public function testAllOfItIsInTheFrame(): void
    {
        $drive = self::drive();
        $frame = BeltDrawing::of($drive, null)->frame;
        $edges = [$frame->left, $frame->left + $frame->width, $frame->top, $frame->top + $frame->height];
        self::assertEqualsWithDelta([-176 - 64 - 34, 225 + 31 + 34, -330 - 37 - 34, 76 + 34], $edges, 1e-9);
        self::assertEqualsWithDelta(max($frame->width, $frame->height) / 100, BeltDrawing::of($drive, null)->unit, 1e-9);
        $out = BeltDrawing::of($drive, null, new Tensioner(400, -300, 50, 90, [80, 20]))->frame;
        self::assertEqualsWithDelta(
            [-274, 400 + 84, -401, 300 + 84], [$out->left, $out->left + $out->width, $out->top, $out->top + $out->height], 1e-9,
        );
        $other = BeltDrawing::of($drive, null, new Tensioner(-400, 500, 50, 90, [80, 20]))->frame;
        self::assertEqualsWithDelta([-484, 290, -584, 110], [
            $other->left, $other->left + $other->width, $other->top, $other->top + $other->height,
        ], 1e-9);
    }

    public function testItSaysWhatIsWrong(): void
    {
        $drive = self::drive();
        $path = BeltPath::of($drive, BeltSection::common());
        $states = static fn (BeltDrawing $one): array => array_column($one->pulleys, 'state');
        self::assertSame(['', '', '', '', '', ''], $states(BeltDrawing::of($drive, $path, null, null, self::ARM)));
        $flat = [new Pulley('crank', 0, 0, 100), new Pulley('alternator', 200, -90, 60), new Pulley('pump', 400, 0, 100)];
        self::assertSame(['', 'little', ''], $states(BeltDrawing::of($flat, BeltPath::of($flat, BeltSection::common()))));
        $fault = BeltDrawing::of($drive, null, fault: 3);
        self::assertSame(['', '', '', 'fault', '', ''], $states($fault));
        self::assertSame(
            ['', [], 'No belt runs here: crank, alternator, tensioner, blower, idler, pump.'],
            [$fault->belt, $fault->chevrons, $fault->said],
        );
        self::assertSame([null, ''], [$fault->pulleys[0]['degrees'], $fault->pulleys[0]['wrap']]);
        $drawn = BeltDrawing::of($drive, $path, null, null, self::ARM);
        self::assertSame([false, false, true, false, false, false], array_column($drawn->pulleys, 'isArm'));
        self::assertSame(
            'Belt of 1570 mm, in its order: crank, 87° on the ribs; alternator, 152° on the ribs; tensioner, 105° on the back; blower, '
            .'171° on the ribs; idler, 102° on the back; pump, 156° on the ribs.',
            $drawn->said,
        );
    }
}
