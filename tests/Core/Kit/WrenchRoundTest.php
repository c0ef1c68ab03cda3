<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Kit;

use NimbleKnuckle\Core\Compiler\Complete\CureWaits;
use NimbleKnuckle\Core\Kit\Kit;
use NimbleKnuckle\Core\Kit\Wrench;
use NimbleKnuckle\Core\Kit\WrenchRound;
use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Sheet\Step;
use NimbleKnuckle\Tests\Core\Plan\Sheets;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\TestCase;

#[CoversClass(WrenchRound::class)]
#[CoversClass(CureWaits::class)]
final class WrenchRoundTest extends TestCase
{
    /** No way through the sheet changes the wrench less often: checked against trying them all. */
    public function testItChangesTheWrenchAsSeldomAsCanBe(): void
    {
        mt_srand(11);
        $sheet = Sheets::thermostat();
        for ($i = 0; $i < 60; ++$i) {
            $wrenches = [];
            foreach (range(1, mt_rand(1, 3)) as $n) {
                $min = mt_rand(1, 8);
                $wrenches[] = new Wrench('w'.$n, '3/8 in', $min, $min + mt_rand(3, 40), mt_rand(2, 6), 250, 0);
            }
            $round = WrenchRound::of($sheet, Sheets::tarn(), new Kit($wrenches, []));
            $reach = array_map(
                static fn (array $pull): array => array_keys(
                    array_filter($wrenches, static fn (Wrench $w): bool => $w->reaches(self::setting($pull, $w))),
                ),
                $round->pulls,
            );
            $reach = array_values(array_filter($reach));
            self::assertSame($this->fewest($reach), $round->changes);
            self::assertSame(count($round->pulls) - count($reach), $round->unreached);
        }
    }

    public function testOneInDateGoesBeforeOneOutOfDate(): void
    {
        $late = new Wrench('late', '1/4 in', 1, 20, 1, 220, 40);
        $inDate = new Wrench('in date', '1/4 in', 1, 20, 6, 220, 0);
        foreach (WrenchRound::of(Sheets::thermostat(), Sheets::tarn(), new Kit([$late, $inDate], []))->pulls as $pull) {
            self::assertSame('in date', $pull['wrench']?->name);
        }
        self::assertSame('late', WrenchRound::of(Sheets::thermostat(), Sheets::tarn(), new Kit([$late], []))->pulls[0]['wrench']?->name);
        $none = WrenchRound::of(Sheets::thermostat(), Sheets::tarn(), new Kit([], []));
        self::assertSame(count($none->pulls), $none->unreached);
    }

    public function testACompoundCuresBeforeTheFluidGoesInAndLongerInTheCold(): void
    {
        $wait = static fn (string $warm): ?Step => array_values(array_filter(Sheets::thermostat(choices: [
            'fill' => 'vacuum', CureWaits::CHOICE => $warm,
        ], vehicle: Sheets::vehicle('veldra-tarn-20t', static function (array $document): array {
            $joints = is_array($document['joints']) ? $document['joints'] : [];
            $joints[0] = ['compound' => 'medium threadlocker'] + (is_array($joints[0]) ? $joints[0] : []);

            return ['joints' => $joints] + $document;
        }))->steps, static fn (Step $step): bool => str_starts_with($step->id, 'cure.')))[0] ?? null;
        [$warm, $cold, $unsaid] = [$wait('25'), $wait('5'), $wait('')];
        self::assertNotNull($warm);
        self::assertSame(StepKind::Wait, $warm->deed);
        self::assertGreaterThan($warm->slot->minutes->likely, $cold?->slot->minutes->likely);
        self::assertNotNull($unsaid);
        self::assertStringContainsString('18 °C', $unsaid->words->why);
        self::assertSame(
            [], array_filter(Sheets::thermostat()->steps, static fn (Step $step): bool => str_starts_with($step->id, 'cure.')),
            'dry threads cure nothing',
        );
    }

    public function testACureTheVehicleSheetNamesIsThatLongAndSaysSo(): void
    {
        $wait = static fn (array $seat): ?Step => array_values(array_filter(Sheets::thermostat(
            vehicle: Sheets::vehicle('veldra-tarn-20t', static function (array $document) use ($seat): array {
                $joints = is_array($document['joints']) ? $document['joints'] : [];
                $joints[0] = $seat + (is_array($joints[0]) ? $joints[0] : []);

                return ['joints' => $joints] + $document;
            }),
        )->steps, static fn (Step $step): bool => str_starts_with($step->id, 'cure.')))[0] ?? null;
        $said = $wait(['compound' => 'medium threadlocker', 'cure' => 45]) ?? self::fail('It waits.');
        self::assertSame('By the vehicle sheet.', $said->words->why);
        self::assertSame([45.0, 45.0, 58.5], [$said->slot->minutes->low, $said->slot->minutes->likely, $said->slot->minutes->high]);
        self::assertTrue($said->slot->passive);
        $thumb = $wait(['compound' => 'medium threadlocker']) ?? self::fail('It waits.');
        self::assertStringContainsString('by rule of thumb', $thumb->words->why);
    }

    /** @param array<string, mixed> $pull */
    private static function setting(array $pull, Wrench $wrench): float
    {
        $joints = array_values(array_filter(Sheets::tarn()->joints, static fn ($j): bool => $j->name === $pull['title']));
        $torque = is_float($pull['torque']) ? $pull['torque'] : 0.0;
        $adapter = $joints[0]->tools->adapter->millimetres ?? 0.0;

        return $torque * $wrench->lever / ($wrench->lever + $adapter * cos(deg2rad($joints[0]->tools->adapterAngle->degrees ?? 0.0)));
    }

    /** @param list<list<int>> $reach */
    private function fewest(array $reach): int
    {
        $cost = [];
        foreach ($reach as $i => $wrenches) {
            $next = [];
            foreach ($wrenches as $w) {
                $next[$w] = 0 === $i ? 0 : 1000;
                foreach ($cost as $before => $changes) {
                    $next[$w] = min($next[$w], $changes + ($before === $w ? 0 : 1));
                }
            }
            $cost = $next;
        }

        return [] === $cost ? 0 : min($cost);
    }
}
