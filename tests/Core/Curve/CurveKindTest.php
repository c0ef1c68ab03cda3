<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Curve;

use NimbleKnuckle\Core\ChargeAir\LeakFinding;
use NimbleKnuckle\Core\Curve\AtOnce;
use NimbleKnuckle\Core\Curve\CurveKind;
use NimbleKnuckle\Core\Fluids\WarmUp\Sign;
use NimbleKnuckle\Core\Gate\BoostFinding;
use NimbleKnuckle\Tests\Core\Doors;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\TestCase;

/** What is said of a kind of curve fits that kind. */
#[CoversClass(CurveKind::class)]
#[CoversClass(AtOnce::class)]
final class CurveKindTest extends TestCase
{
    public function testEachIsCalledByASumThatThereIs(): void
    {
        foreach (CurveKind::cases() as $kind) {
            self::assertSame($kind->value, Doors::book()->named($kind->value)->about()->name);
        }
    }

    /** A starter that cranks badly is not told to cool, a hub that went on askew is not warmed up. */
    public function testEachHasWordsOfItsOwn(): void
    {
        $titles = array_map(static fn (CurveKind $one): string => $one->title(), CurveKind::cases());
        $mends = array_map(static fn (CurveKind $one): string => $one->mend(), CurveKind::cases());
        self::assertSame($titles, array_unique($titles));
        self::assertSame($mends, array_unique($mends));
        self::assertStringNotContainsString('cool', CurveKind::Crank->mend());
    }

    public function testEachFindingThatCannotWaitIsOneAJudgeGives(): void
    {
        self::assertSame(AtOnce::Overheating->value, Sign::TooHot->finding());
        self::assertSame(AtOnce::OverLimit->value, BoostFinding::OverLimit->value);
        self::assertSame(AtOnce::LetsGo->value, LeakFinding::LetsGo->value);
        self::assertCount(3, AtOnce::cases());
    }
}
