<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Kit;

use NimbleKnuckle\Core\Document\Node;
use NimbleKnuckle\Core\Kit\Kit;
use NimbleKnuckle\Core\Kit\Wrench;
use NimbleKnuckle\Core\Kit\WrenchAdvice;
use NimbleKnuckle\Core\Vehicle\Joint;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\TestCase;

#[CoversClass(Kit::class)]
#[CoversClass(Wrench::class)]
#[CoversClass(WrenchAdvice::class)]
#[CoversClass(Joint::class)]
final class KitTest extends TestCase
{
    public function testAWrenchIsTrustedFromAFifthOfItsScale(): void
    {
        $dial = new Wrench('dial', '1/4 in', 2, 20, 3, 220, 0);
        self::assertSame(4.0, $dial->lowestUsable());
        self::assertFalse($dial->reaches(3.9));
        self::assertTrue($dial->reaches(4.0));
        self::assertTrue($dial->reaches(20.0));
        self::assertFalse($dial->reaches(20.1));
        self::assertSame(10.0, (new Wrench('click', '3/8 in', 10, 45, 4, 300, 0))->lowestUsable());
    }

    public function testTheFinestInDateIsTakenAndTheOthersAreExplained(): void
    {
        $kit = new Kit(
            [
                new Wrench('coarse', '1/2 in', 40, 210, 6, 450, 0), new Wrench('late', '3/8 in', 10, 60, 1, 300, 90),
                new Wrench('fine', '3/8 in', 8, 80, 2, 350, 0),
            ],
            [],
        );
        $advice = WrenchAdvice::for($kit, $this->joint(['figure' => '50 N·m']), 50.0);
        self::assertSame('fine', $advice->wrench?->name);
        self::assertStringContainsString('late is past its calibration', $advice->why);
        self::assertSame('fine', $kit->pick(50.0)?->name);
        self::assertSame('late', $kit->pick(12.0)?->name);
        self::assertNull($kit->pick(3.0));
        $late = WrenchAdvice::for($kit, $this->joint(['figure' => '12 N·m']), 12.0);
        self::assertSame('late', $late->wrench?->name);
        self::assertStringContainsString('90 days past its calibration', $late->why);
        self::assertStringContainsString('fine works from 16 to 80', $late->why);
    }

    /** The setting with an adapter has to be inside the range, not the figure itself. */
    public function testTheAdapterCountsForTheRange(): void
    {
        $kit = new Kit([new Wrench('small', '1/4 in', 2, 20, 3, 200, 0)], []);
        self::assertNull(WrenchAdvice::for($kit, $this->joint(['figure' => '22 N·m']), 22.0)->wrench);
        $advice = WrenchAdvice::for($kit, $this->joint(
            ['figure' => '22 N·m', 'adapter' => ['length' => 40, 'angle' => 0, 'name' => 'crow-foot']],
        ), 22.0);
        self::assertEqualsWithDelta(22 * 200 / 240, $advice->setting?->setting()->newtonMetres, 1e-9);
        self::assertNull(
            WrenchAdvice::for($kit, $this->joint(
                ['figure' => '19 N·m', 'adapter' => ['length' => 40, 'angle' => 180, 'name' => 'crow-foot']],
            ), 19.0)->wrench,
        );
        self::assertNull(
            WrenchAdvice::for($kit, $this->joint(['figure' => '5 N·m', 'adapter' => ['length' => 240, 'angle' => 180]]), 5.0)->wrench,
            'folded back past the hand',
        );
    }

    public function testEachPassHasItsOwnWrench(): void
    {
        $kit = new Kit([new Wrench('small', '1/4 in', 2, 20, 3, 200, 0), new Wrench('large', '1/2 in', 30, 150, 3, 450, 0)], []);
        $joint = $this->joint(['figure' => '60 N·m', 'passes' => [30, 60, 100]]);
        self::assertSame(
            ['small', 'large', 'large'],
            array_map(
                static fn (float $share): ?string => WrenchAdvice::for($kit, $joint, $joint->torqueAt($share))->wrench?->name,
                $joint->going->passes,
            ),
        );
        self::assertEqualsWithDelta(18.0, $joint->torqueAt(30.0), 1e-9);
    }

    public function testAnEmptyKitSaysSo(): void
    {
        $advice = WrenchAdvice::for(new Kit([], ['10 mm socket']), $this->joint(['figure' => '9 N·m']), 9.0);
        self::assertNull($advice->wrench);
        self::assertStringContainsString('No wrench in the kit reaches 9 N·m', $advice->why);
        self::assertTrue((new Kit([], ['10 MM socket']))->has('10 mm Socket'));
    }

    public function testAFigureIsAskedForOnlyWhereThereIsOne(): void
    {
        $this->expectException(\LogicException::class);
        $this->joint([])->figure();
    }

    /** @param array<string, mixed> $more */
    private function joint(array $more): Joint
    {
        return Joint::read(Node::of($more + ['id' => 'j', 'name' => 'bolts', 'layout' => 'line 2', 'thread' => 'M8']));
    }
}
