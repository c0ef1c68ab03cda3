<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Bolting;

use NimbleKnuckle\Core\Bolting\Door\TorqueCheck;
use NimbleKnuckle\Core\Bolting\Door\TorqueSuspects;
use NimbleKnuckle\Core\Bolting\TorqueBars;
use NimbleKnuckle\Core\Quantity\Kind;
use NimbleKnuckle\Core\Quantity\Notation;
use NimbleKnuckle\Core\Sum\Check;
use NimbleKnuckle\Core\Sum\InvalidInput;
use NimbleKnuckle\Core\Sum\Level;
use NimbleKnuckle\Core\Sum\SumResult;
use NimbleKnuckle\Tests\Core\Doors;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

#[CoversClass(TorqueCheck::class)]
#[CoversClass(TorqueSuspects::class)]
#[CoversClass(TorqueBars::class)]
final class TorqueCheckTest extends TestCase
{
    /** Where grade and thread condition are both guessed, too much is something to look at; where one of them is said, it is a stop. */
    public function testAStopDoesNotRestOnTwoGuesses(): void
    {
        $asked = ['stated' => '60 N·m', 'thread' => 'M8', 'material' => 'aluminium casting'];
        $guessed = $this->check($asked);
        self::assertSame(Level::Watch, $guessed->verdict);
        $said = implode(' ', array_map(static fn (Check $one): string => $one->text, $guessed->checks));
        self::assertStringContainsString('both assumed', $said);
        foreach ([['grade' => '8.8'], ['friction' => 'oiled']] as $said) {
            self::assertSame(Level::Stop, $this->check($said + $asked)->verdict);
        }
        self::assertSame(Level::Stop, $this->check(['stated' => '29 ft-lb / 21 Nm', 'thread' => 'M8'])->verdict, 'they disagree');
    }

    #[DataProvider('pairs')]
    public function testTwoStatementsAgreeOrTheSlipIsNamed(string $stated, string $agreement, string ...$suspects): void
    {
        $result = $this->check(['stated' => $stated]);
        $codes = $this->codes($result);
        self::assertSame($agreement, $codes[0], $stated);
        foreach ($suspects as $suspect) {
            self::assertContains($suspect, $codes, $stated);
        }
        self::assertSame('conflict' === $agreement ? Level::Stop : Level::Ok, $result->verdict);
    }

    /** @return iterable<string, list<string>> */
    public static function pairs(): iterable
    {
        yield 'converted rightly' => ['17 lbf·ft / 23 N·m', 'agree'];
        yield 'rounded roughly' => ['18 ft-lb (25 Nm)', 'agree'];
        yield 'inch pounds rightly' => ['80 in-lb / 9 Nm', 'agree'];
        yield 'one alone' => ['9 Nm', 'single'];
        yield 'the wrong way' => ['29 ft-lb / 21 Nm', 'conflict', 'converted-wrong-way'];
        yield 'inch for foot' => ['80 ft-lb / 9 Nm', 'conflict', 'inch-pound-for-foot-pound'];
        yield 'foot for inch' => ['17 in-lb / 23 Nm', 'conflict', 'inch-pound-for-foot-pound'];
        yield 'twice' => ['29 ft-lb / 53.3 Nm', 'conflict', 'converted-twice'];
        yield 'digits swapped' => ['29 ft-lb / 93 Nm', 'conflict', 'digits-swapped'];
        yield 'digits of a small one swapped' => ['0.89 Nm / 8.7 in-lb', 'conflict', 'digits-swapped'];
        yield 'point lost' => ['6.6 ft-lb / 89 Nm', 'conflict', 'decimal-point-lost'];
        yield 'never converted' => ['30 ft-lb / 30 Nm', 'conflict', 'not-converted'];
    }

    public function testASuspectIsNamedOnlyWhereItExplains(): void
    {
        $codes = $this->codes($this->check(['stated' => '29 ft-lb / 21 Nm']));
        self::assertSame(['conflict', 'converted-wrong-way'], $codes);
        self::assertSame(['conflict'], $this->codes($this->check(['stated' => '10 Nm / 57 ft-lb'])));
    }

    /** Any torque rightly converted and honestly rounded agrees, whatever the unit. */
    public function testHonestConversionsAlwaysAgree(): void
    {
        mt_srand(5);
        for ($i = 0; $i < 400; ++$i) {
            $newtonMetres = mt_rand(20, 3000) / 10;
            $stated = sprintf('%.1F N·m / %.1F lbf·ft', $newtonMetres, $newtonMetres / 1.3558179483314004);
            self::assertSame('agree', $this->codes($this->check(['stated' => $stated]))[0], $stated);
        }
    }

    public function testTheThreadSaysWhatItCanStand(): void
    {
        $ok = $this->check(['stated' => '22 Nm', 'thread' => 'M8', 'grade' => '8.8', 'friction' => '0.14']);
        // M8 8.8 at 0.14 yields at 27.30 / 0.9 N·m.
        self::assertEqualsWithDelta(22 / (27.301 / 0.9) * 100, $ok->number('utilisation'), 0.05);
        self::assertSame(Level::Ok, $ok->verdict);
        self::assertSame(
            Level::Watch, $this->check(['stated' => '27 Nm', 'thread' => 'M8', 'grade' => '8.8', 'friction' => '0.14'])->verdict,
        );
        self::assertSame(
            Level::Stop, $this->check(['stated' => '31 Nm', 'thread' => 'M8', 'grade' => '8.8', 'friction' => '0.14'])->verdict,
        );
        self::assertContains('grade-assumed', $this->codes($this->check(['stated' => '20 Nm', 'thread' => 'M8'])));
    }

    public function testSoftMaterialStripsBeforeTheBoltYields(): void
    {
        $codes = $this->codes(
            $this->check(['stated' => '48 Nm', 'thread' => 'M8', 'grade' => '12.9', 'friction' => 'oiled', 'material' => 'magnesium']),
        );
        self::assertContains('thread-strip', $codes);
        self::assertContains(
            'thread-holds',
            $this->codes($this->check(['stated' => '9 Nm', 'thread' => 'M6', 'friction' => 'dry zinc', 'material' => 'aluminium casting'])),
        );
    }

    #[DataProvider('bad')]
    public function testBadInputNamesItsField(string $field, string $value): void
    {
        try {
            $this->check([$field => $value] + ['stated' => '20 Nm', 'thread' => 'M8']);
            self::fail('It was taken.');
        } catch (InvalidInput $e) {
            self::assertSame($field, $e->field);
        }
    }

    /** @return iterable<string, array{string, string}> */
    public static function bad(): iterable
    {
        yield 'no figure' => ['stated', 'tight'];
        yield 'no thread' => ['thread', 'M9.5'];
        yield 'no grade' => ['grade', '14.9'];
        yield 'no friction' => ['friction', 'slippery'];
        yield 'no material' => ['material', 'cheese'];
        yield 'no such field' => ['colour', 'red'];
    }

    public function testTheFigureIsDrawnFromTheNumbers(): void
    {
        $bars = TorqueBars::of(Notation::readStatement(Kind::Torque, '29 ft-lb / 21 Nm'), 24.0);
        self::assertCount(2, $bars->bars);
        self::assertGreaterThan($bars->bars[1]['at'], $bars->bars[0]['at']);
        self::assertEqualsWithDelta(24.0 / 21.0, $bars->yieldAt / $bars->bars[1]['at'], 1e-9);
        self::assertLessThanOrEqual(100.0, $bars->bars[0]['to']);
    }

    /** @param array<string, string> $raw */
    private function check(array $raw): SumResult
    {
        return Doors::book()->run('torque-check', $raw);
    }

    /** @return list<string> */
    private function codes(SumResult $result): array
    {
        return array_map(static fn (Check $check): string => $check->code, $result->checks);
    }
}
