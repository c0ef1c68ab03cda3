<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Photo;

use NimbleKnuckle\Core\Luck;
use NimbleKnuckle\Core\Photo\CameraModel;
use NimbleKnuckle\Core\Photo\CircleFit;
use NimbleKnuckle\Core\Photo\Door\Measures;
use NimbleKnuckle\Core\Photo\Door\PhotoPlaneSum;
use NimbleKnuckle\Core\Photo\Homography;
use NimbleKnuckle\Core\Photo\Lens;
use NimbleKnuckle\Core\Photo\PhotoPlane;
use NimbleKnuckle\Core\Photo\PlaneDrawing;
use NimbleKnuckle\Core\Photo\TargetCard;
use NimbleKnuckle\Core\Sum\InvalidInput;
use NimbleKnuckle\Core\Sum\Level;
use NimbleKnuckle\Core\Sum\SumResult;
use NimbleKnuckle\Tests\Core\Doors;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Measured in a photo: scenes that a camera of the test sees, so that what is true is known. */
#[CoversClass(CircleFit::class)]
#[CoversClass(Homography::class)]
#[CoversClass(Measures::class)]
#[CoversClass(PhotoPlane::class)]
#[CoversClass(PhotoPlaneSum::class)]
#[CoversClass(PlaneDrawing::class)]
#[CoversClass(Lens::class)]
#[CoversClass(CameraModel::class)]
#[CoversClass(TargetCard::class)]
final class PhotoPlaneTest extends TestCase
{
    private const CARD = [[0.0, 0.0], [100.0, 0.0], [100.0, 70.0], [0.0, 70.0]];
    private const EIGHT = [...self::CARD, [50.0, 0.0], [100.0, 35.0], [50.0, 70.0], [0.0, 35.0]];
    private const RING = [[62.0, 35.0], [50.0, 47.0], [38.0, 35.0], [50.0, 23.0], [58.4853, 43.4853]];

    public function testWithoutNoiseItReadsWhatIsThere(): void
    {
        foreach ([1, 2, 3, 4, 5] as $seed) {
            $camera = self::camera($seed);
            $plane = self::plane(self::CARD, [[20.0, 20.0], [60.0, 50.0], [60.0, 20.0], ...self::RING], $camera);
            self::assertTrue($plane->isInOrder());
            self::assertEqualsWithDelta(0.0, $plane->residual, 1e-7);
            self::assertEqualsWithDelta(50.0, $plane->distance(0, 1)[0], 1e-6);
            self::assertEqualsWithDelta(90.0, $plane->angle(0, 2, 1)[0], 1e-6);
            [$across, , $circle] = $plane->circle([3, 4, 5, 6, 7]);
            self::assertEqualsWithDelta(24.0, $across, 1e-4);
            self::assertEqualsWithDelta(50.0, $circle->x, 1e-4);
            self::assertEqualsWithDelta(35.0, $circle->y, 1e-4);
        }
    }

    public function testTheDoubtIsThatOfOnePixelEverywhere(): void
    {
        [$within, $all, $errors] = [0, 0, []];
        for ($seed = 1; $seed <= 200; ++$seed) {
            $luck = new Luck(7 * $seed);
            $camera = self::camera($seed);
            $true = [[$luck->between(5.0, 45.0), $luck->between(5.0, 65.0)], [$luck->between(55.0, 95.0), $luck->between(5.0, 65.0)]];
            $seen = self::plane($seed % 2 ? self::CARD : self::EIGHT, $true, $camera, 1.0, $luck);
            [$read, $doubt] = $seen->distance(0, 1);
            $is = hypot($true[1][0] - $true[0][0], $true[1][1] - $true[0][1]);
            $errors[] = abs($read - $is) / $doubt;
            $within += abs($read - $is) <= 1.96 * $doubt ? 1 : 0;
            ++$all;
        }
        self::assertEqualsWithDelta(0.95, $within / $all, 0.035);
        sort($errors);
        self::assertEqualsWithDelta(0.674, $errors[intdiv(count($errors), 2)], 0.15, 'half of them within two thirds of a deviation');
    }

    public function testMoreMarksMakeItSurer(): void
    {
        $camera = self::camera(4);
        $points = [[20.0, 20.0], [80.0, 50.0]];
        self::assertLessThan(
            self::plane(self::CARD, $points, $camera)->distance(0, 1)[1], self::plane(self::EIGHT, $points, $camera)->distance(0, 1)[1],
        );
    }

    public function testAMarkThatIsReadWrongIsLeftOver(): void
    {
        $marks = self::marks(self::EIGHT, self::camera(2));
        $marks[4][0] += 60.0;
        $result = Doors::book()->run('photo-plane', ['marks' => $marks, 'points' => [[500, 500], [600, 500]], 'measure' => '1-2']);
        self::assertTrue($result->hasCheck('left-over'));
        self::assertSame(Level::Watch, $result->verdict);
    }

    /** @return iterable<string, array{array<string, mixed>, string, string}> */
    public static function wrong(): iterable
    {
        $three = [[0, 0, 0, 0], [100, 0, 50, 0], [100, 100, 50, 50]];
        yield 'three marks' => [['marks' => $three], 'marks', 'Four'];
        yield 'three in a line' => [['marks' => [[0, 0, 0, 0], [50, 0, 25, 0], [100, 0, 50, 0], [0, 100, 0, 50]]], 'marks', 'no plane'];
        yield 'all on a spot' => [['marks' => array_fill(0, 4, [5, 5, 1, 1])], 'marks', 'no plane'];
        yield 'crossed' => [['marks' => [[0, 0, 0, 0], [100, 0, 50, 0], [0, 100, 50, 50], [100, 100, 0, 50]]], 'marks', 'wrong order'];
        yield 'no such point' => [['measure' => '1-4'], 'measure', 'no such point'];
        yield 'counted from nothing' => [['measure' => '0-1'], 'measure', 'no such point'];
        yield 'JSON past the last' => [['measure' => [[[0, 3]], [], []]], 'measure', 'no such point'];
        yield 'a point and itself' => [['measure' => '1-1'], 'measure', 'twice'];
        yield 'words' => [['measure' => 'the gap'], 'measure', 'none of these'];
        yield 'a circle of two' => [['measure' => 'circle 1 2'], 'measure', 'none of these'];
        yield 'a pair of three' => [['measure' => [[[0, 1, 2]], [], []]], 'measure', 'two whole numbers'];
        yield 'half an index' => [['measure' => [[[0, 1.5]], [], []]], 'measure', 'whole numbers'];
        yield 'nothing asked' => [['measure' => [[], [], []]], 'measure', ''];
        yield 'a circle on a line' => [['points' => [[10, 10], [20, 20], [30, 30]], 'measure' => 'circle 1 2 3'], 'measure', 'on a line'];
        yield 'a picture of one side' => [['picture' => '1600'], 'picture', 'width and height'];
        yield 'two marks, not square on' => [['marks' => [[0, 0, 0, 0], [9, 9, 9, 9]]], 'marks', 'square on'];
        yield 'off a line of one' => [['measure' => '3 off 1-1'], 'measure', 'twice'];
        yield 'behind the camera' => [['distance' => 50, 'off' => 60], 'off', 'behind the camera'];
    }

    /** @param array<string, mixed> $in */
    #[DataProvider('wrong')]
    public function testWhatCannotBeIsNamed(array $in, string $field, string $said): void
    {
        $good = ['marks' => [[0, 0, 0, 0], [100, 0, 50, 0], [100, 100, 50, 50], [0, 100, 0, 50]],
            'points' => [[10, 10], [90, 10], [10, 80]], 'measure' => '1-2'];
        try {
            Doors::book()->run('photo-plane', $in + $good);
            self::fail('it was worked out');
        } catch (InvalidInput $e) {
            self::assertSame($field, $e->field);
            self::assertStringContainsString($said, $e->getMessage());
        }
    }

    public function testBothWaysOfAskingComeToTheSame(): void
    {
        $square = ['marks' => [[0, 0, 0, 0], [100, 0, 50, 0], [100, 100, 50, 50], [0, 100, 0, 50]],
            'points' => [[10, 10], [90, 10], [10, 70], [90, 70]]];
        $run = static fn (mixed $measure): SumResult => Doors::book()->run('photo-plane', $square + ['measure' => $measure]);
        $result = $run([[[0, 1], [0, 2]], [[1, 0, 2]], [[0, 1, 2, 3]]]);
        self::assertEqualsWithDelta([40.0, 30.0], $result->entries('distances'), 1e-9);
        self::assertEqualsWithDelta([90.0], $result->entries('angles'), 1e-9);
        self::assertEqualsWithDelta([50.0], $result->entries('circles'), 1e-9, 'across, not from its middle');
        self::assertEquals($result->entries('distances_doubt'), $run('1-2; 1-3; 2-1-3; circle 1 2 3 4')->entries('distances_doubt'));
        // Half a millimetre a pixel, one pixel at each end: 0.5 √2 of the points alone, and the marks beside.
        self::assertGreaterThan(0.5 * \M_SQRT2, $result->entries('distances_doubt')[0]);
        self::assertLessThan(1.1, $result->entries('distances_doubt')[0]);
    }

    public function testOffALineIsSquareToIt(): void
    {
        $in = ['marks' => [[0, 0, 0, 0], [100, 0, 50, 0], [100, 100, 50, 50], [0, 100, 0, 50]],
            'points' => [[10, 10], [90, 10], [40, 70]]];
        $written = Doors::book()->run('photo-plane', $in + ['measure' => '3 off 1-2']);
        $listed = Doors::book()->run('photo-plane', $in + ['measure' => [[], [], [], [[2, 0, 1]]]]);
        self::assertEqualsWithDelta([30.0], $written->entries('offsets'), 1e-9);
        self::assertSame($written->entries('offsets'), $listed->entries('offsets'));
        self::assertEqualsWithDelta([5.0, 45.0, 20.0], $written->entries('point_x'), 1e-9);
        self::assertEqualsWithDelta([5.0, 5.0, 35.0], $written->entries('point_y'), 1e-9);
        // Beyond the end of the line it is still square to it.
        $beyond = Doors::book()->run('photo-plane', ['points' => [[10, 10], [50, 10], [95, 70]], 'measure' => '3 off 1-2'] + $in);
        self::assertEqualsWithDelta([30.0], $beyond->entries('offsets'), 1e-9);
    }

    public function testOneKnownDistanceIsEnoughSquareOnAndSaidToBe(): void
    {
        $in = ['marks' => [[100, 100, 0, 0], [100, 300, 50, 0]], 'points' => [[200, 150], [200, 350], [320, 150]], 'measure' => '1-2; 1-3'];
        $result = Doors::book()->run('photo-plane', $in + ['square_on' => 'yes']);
        self::assertEqualsWithDelta([50.0, 30.0], $result->entries('distances'), 1e-9, 'turned by a quarter, and to the same scale');
        self::assertTrue($result->hasCheck('square-on'));
        self::assertSame(Level::Watch, $result->verdict);
        // A hand holds a camera no nearer than 8° to square: one percent of the reading at the least.
        self::assertGreaterThan(0.5, $result->entries('distances_doubt')[0]);
        $this->expectException(InvalidInput::class);
        Doors::book()->run('photo-plane', $in);
    }

    public function testFromFiveMarksOnTheLensIsTold(): void
    {
        $camera = self::camera(3);
        // As the tests bend it: outwards from the middle of a picture of 4000 by 3000, five percent in its corner.
        $bent = static function (float $x, float $y): array {
            [$dx, $dy] = [$x - 2000, $y - 1500];
            $by = 1.0;
            for ($i = 0; $i < 20; ++$i) {
                $by = 1 / (1 + 0.05 * $by * $by * ($dx * $dx + $dy * $dy) / (2000 ** 2 + 1500 ** 2));
            }

            return [2000 + $by * $dx, 1500 + $by * $dy];
        };
        // Near enough to fill the picture.
        $near = static fn (float $x, float $y): array => $bent(2000 + 2.4 * ($x - 2000), 1500 + 2.4 * ($y - 1500));
        $marks = array_map(static fn (array $m): array => [...$near($m[0], $m[1]), $m[2], $m[3]], self::marks(self::EIGHT, $camera));
        $points = array_map(static fn (array $p): array => $near(...self::seen($p[0], $p[1], $camera)), [[-40.0, 10.0], [140.0, 60.0]]);
        $true = hypot(180.0, 50.0);
        $run = static fn (array $of, array $more): SumResult => Doors::book()->run('photo-plane', [
            'marks' => $of, 'points' => $points, 'measure' => '1-2',
        ] + $more);
        $told = $run($marks, ['picture' => '4000 × 3000']);
        $untold = $run($marks, []);
        $off = static fn (SumResult $result): float => abs((float) $result->entries('distances')[0] - $true);
        self::assertLessThan(0.3 * $off($untold), $off($told), 'most of it is taken out');
        self::assertGreaterThan(2.0, $told->number('lens'));
        self::assertFalse($untold->has('lens'));
        // Four marks cannot tell it: it stays in the doubt.
        $four = $run(array_slice($marks, 0, 4), ['picture' => '4000x3000']);
        self::assertFalse($four->has('lens'));
        self::assertGreaterThan($run(array_slice($marks, 0, 4), [])->entries('distances_doubt')[0], $four->entries('distances_doubt')[0]);
        self::assertLessThanOrEqual($four->entries('distances_doubt')[0], $off($four));
    }

    public function testTheCardIsAsTheBrowserKnowsIt(): void
    {
        $script = (string) file_get_contents(dirname(__DIR__, 3).'/assets/js/card.js');
        preg_match('~MARKS = (\[\[.*?\]\]);~', $script, $found);
        self::assertEquals(TargetCard::MARKS, json_decode($found[1] ?? '', true));
        self::assertStringContainsString(sprintf('FLATS = %s;', TargetCard::FLATS), $script);
        self::assertStringContainsString(sprintf('HOLE = %s;', TargetCard::HOLE), $script);
        self::assertSame([154.0, 104.0], [TargetCard::width(), TargetCard::height()]);
        [$corners, $middle] = TargetCard::nuts()[1];
        self::assertSame([52.0, 12.0], $middle);
        self::assertEqualsWithDelta(12.0, $corners[1][1] - $corners[5][1], 1e-9, 'across its flats');
        // Turned half round it is another.
        $turned = array_map(static fn (array $m): array => [130 - $m[0], 80 - $m[1]], TargetCard::MARKS);
        self::assertNotEqualsCanonicalizing(TargetCard::MARKS, $turned);
    }

    public function testWhatLiesNearerReadsLong(): void
    {
        $in = ['marks' => [[0, 0, 0, 0], [100, 0, 50, 0], [100, 100, 50, 50], [0, 100, 0, 50]], 'points' => [[10, 10], [90, 10]],
            'measure' => '1-2'];
        $off = static fn (float $mm): SumResult => Doors::book()->run('photo-plane', $in + ['distance' => 500, 'off' => $mm]);
        self::assertEqualsWithDelta(100 * 5 / 495, $off(5.0)->number('off_plane'), 1e-9);
        self::assertEqualsWithDelta(100 * -5 / 505, $off(-5.0)->number('off_plane'), 1e-9);
        self::assertTrue($off(5.0)->hasCheck('off-plane'));
        self::assertFalse($off(2.0)->hasCheck('off-plane'));
        self::assertFalse(Doors::book()->run('photo-plane', $in)->has('off_plane'));
    }

    public function testACircleThroughManyPointsIsTheNearest(): void
    {
        $luck = new Luck(5);
        $points = [];
        for ($i = 0; $i < 12; ++$i) {
            $at = $luck->between(0.0, 2.2);
            $points[] = [3 + (10 + 0.3 * $luck->normal()) * cos($at), -2 + (10 + 0.3 * $luck->normal()) * sin($at)];
        }
        $circle = CircleFit::of($points);
        $off = static fn (float $x, float $y, float $r): float => array_sum(array_map(
            static fn (array $p): float => (hypot($p[0] - $x, $p[1] - $y) - $r) ** 2, $points,
        ));
        $least = $off($circle->x, $circle->y, $circle->radius);
        foreach ([[0.01, 0, 0], [-0.01, 0, 0], [0, 0.01, 0], [0, -0.01, 0], [0, 0, 0.01], [0, 0, -0.01]] as [$x, $y, $r]) {
            self::assertGreaterThan($least, $off($circle->x + $x, $circle->y + $y, $circle->radius + $r));
        }
    }

    public function testTheDrawingIsToOneScale(): void
    {
        $drawing = PlaneDrawing::of(self::CARD, [[0.0, 0.0], [50.0, 0.0], [0.0, 50.0]], [CircleFit::of(self::RING)], [[0, 1]]);
        [$a, $b, $c] = $drawing->points;
        self::assertEqualsWithDelta($b[0] - $a[0], $a[1] - $c[1], 1e-9);
        [$x, , $z] = PlaneDrawing::of(self::CARD, [[0.0, 0.0], [50.0, 0.0], [0.0, 50.0]], [], [], true)->points;
        self::assertEqualsWithDelta($a[1] - $c[1], $z[1] - $x[1], 1e-9, 'the other way up, as it is seen');
        $up = [[0.0, 100.0, 0.0, 0.0], [100.0, 100.0, 50.0, 0.0], [100.0, 0.0, 50.0, 50.0], [0.0, 0.0, 0.0, 50.0]];
        self::assertFalse((new PhotoPlane($up, [[1.0, 1.0]]))->isDown());
        self::assertTrue(self::plane(self::CARD, [[1.0, 1.0]], self::camera(3))->isDown());
        self::assertEqualsWithDelta(24 / 50, 2 * $drawing->circles[0]['r'] / ($b[0] - $a[0]), 1e-4);
        self::assertEqualsWithDelta($drawing->rule['length'] / $drawing->rule['mm'], ($b[0] - $a[0]) / 50, 1e-9);
    }

    /** @return non-empty-list<float> a camera that looks at the card from somewhere above it: mm to px */
    private static function camera(int $seed): array
    {
        $luck = new Luck(991 * $seed);
        [$tilt, $turn, $far] = [$luck->between(-0.5, 0.5), $luck->between(-0.4, 0.4), $luck->between(250.0, 500.0)];
        [$focal, $spin] = [$luck->between(1400.0, 3200.0), $luck->between(-0.6, 0.6)];
        // The card turned about its middle, then in front of the lens.
        [$ct, $st, $cu, $su, $cs, $ss] = [cos($tilt), sin($tilt), cos($turn), sin($turn), cos($spin), sin($spin)];
        $r = [$cu * $cs, -$cu * $ss, $ct * $ss + $st * $su * $cs, $ct * $cs - $st * $su * $ss, $st * $ss - $ct * $su * $cs,
            $st * $cs + $ct * $su * $ss];

        return [$r[0], $r[1], $r[2], $r[3], $r[4], $r[5], $far, $focal];
    }

    /**
     * @param non-empty-list<float> $camera
     *
     * @return array{float, float} px
     */
    private static function seen(float $x, float $y, array $camera): array
    {
        [$a, $b, $c, $d, $e, $f, $far, $focal] = $camera + array_fill(0, 8, 0.0);
        [$x, $y] = [$x - 50.0, $y - 35.0];
        $z = $far + $e * $x + $f * $y;

        return [2000 + $focal * ($a * $x + $b * $y) / $z, 1500 + $focal * ($c * $x + $d * $y) / $z];
    }

    /**
     * @param list<array{float, float}> $card
     * @param non-empty-list<float> $camera
     *
     * @return non-empty-list<array{float, float, float, float}>
     */
    private static function marks(array $card, array $camera, float $noise = 0.0, ?Luck $luck = null): array
    {
        $luck ??= new Luck(1);
        $marks = [];
        foreach ($card as [$x, $y]) {
            [$px, $py] = self::seen($x, $y, $camera);
            $marks[] = [$px + $noise * $luck->normal(), $py + $noise * $luck->normal(), $x, $y];
        }

        return [] === $marks ? self::fail('no marks') : $marks;
    }

    /**
     * @param list<array{float, float}> $card
     * @param list<array{float, float}> $points mm
     * @param non-empty-list<float> $camera
     */
    private static function plane(array $card, array $points, array $camera, float $noise = 0.0, ?Luck $luck = null): PhotoPlane
    {
        $luck ??= new Luck(1);
        $marks = self::marks($card, $camera, $noise, $luck);

        return new PhotoPlane($marks, array_map(static function (array $one) use ($camera, $noise, $luck): array {
            [$x, $y] = self::seen($one[0], $one[1], $camera);

            return [$x + $noise * $luck->normal(), $y + $noise * $luck->normal()];
        }, $points));
    }
}
