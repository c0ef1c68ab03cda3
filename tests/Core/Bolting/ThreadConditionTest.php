<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Bolting;

use NimbleKnuckle\Core\Bolting\Compound;
use NimbleKnuckle\Core\Bolting\Friction;
use NimbleKnuckle\Core\Bolting\ThreadCondition;
use NimbleKnuckle\Core\Vehicle\Shorthand;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/** One word means the same on a vehicle's line, in a sum and in a procedure. */
#[CoversClass(ThreadCondition::class)]
final class ThreadConditionTest extends TestCase
{
    public function testEveryNameSaysTheSameOnALineAndInASum(): void
    {
        foreach (ThreadCondition::PUT_ON as $name => $condition) {
            $line = Shorthand::read(sprintf('4x M8x30 8.8 20 Nm %s into steel', $name));
            self::assertSame([], $line->left, $name);
            self::assertSame($name, $line->joint['compound'], 'no shorter name was taken for it');
            self::assertSame($condition->value, $line->joint['friction'], $name);
            self::assertSame($condition->value, Friction::parse($name)->name, $name);
        }
    }

    public function testWhatACompoundLeavesIsWhatItIsCalledBy(): void
    {
        foreach (Compound::cases() as $compound) {
            self::assertSame(ThreadCondition::named($compound->value), $compound->condition());
        }
        self::assertSame(Compound::Oil, ThreadCondition::Oiled->compound(), 'of oil and sealant the one a figure is usually meant for');
        self::assertNull(ThreadCondition::AsSupplied->compound(), 'a coating nobody named');
    }

    public function testLowTypicalAndHighStandInThatOrder(): void
    {
        foreach (ThreadCondition::cases() as $one) {
            [$low, $typical, $high] = $one->friction();
            self::assertTrue(0.03 < $low && $low < $typical && $typical < $high && $high < 0.6, $one->value);
        }
    }

    #[TestWith(['Anti seize', ThreadCondition::AntiSeize])]
    #[TestWith(['THREADLOCKER_WET', ThreadCondition::LockerWet])]
    #[TestWith([' zinc ', ThreadCondition::Dry])]
    #[TestWith(['butter', null])]
    public function testNamesPeopleWrite(string $name, ?ThreadCondition $condition): void
    {
        self::assertSame($condition, ThreadCondition::named($name));
    }
}
