<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Pins;

use NimbleKnuckle\Core\Compiler\Compiler;
use NimbleKnuckle\Core\Kit\Kit;
use NimbleKnuckle\Core\Kit\Wrench;
use NimbleKnuckle\Core\Kit\WrenchAdvice;
use NimbleKnuckle\Core\Kit\WrenchRound;
use NimbleKnuckle\Core\Lint\Linter;
use NimbleKnuckle\Core\Procedure\Choices;
use NimbleKnuckle\Core\Sheet\Finding;
use NimbleKnuckle\Core\Sheet\Sheet;
use NimbleKnuckle\Core\Sheet\Step;
use NimbleKnuckle\Core\Vehicle\JointMechanics;
use NimbleKnuckle\Core\Vehicle\VehicleSheet;
use NimbleKnuckle\Tests\Core\Plan\Sheets;
use Random\Engine\Mt19937;
use Random\Randomizer;

/** Whole sheets as they are compiled, and sheets with steps lost, moved or changed as they are linted. */
final readonly class SheetPins implements Pin
{
    /** @var list<array{string, list<string>, array<string, string>}> */
    public const JOBS = [
        ['veldra-tarn-20t', ['thermostat-under'], ['fill' => 'vacuum', 'workshop-temperature' => '12']],
        ['veldra-tarn-20t', ['thermostat-under'], ['fill' => 'bleed', 'shield' => 'before-start']],
        ['veldra-tarn-20t', ['thermostat-under'], ['fill' => 'burp']],
        ['veldra-tarn-20t', ['spark-plugs'], []],
        ['ostrel-vane-s6', ['serpentine-belt'], []],
        ['ostrel-vane-s6', ['crank-damper'], []],
        ['ostrel-vane-s6', ['thermostat-front'], []],
        ['corrin-drover-27d', ['gearbox-mount'], []],
        ['corrin-drover-27d', ['starter', 'water-pump'], []],
        ['corrin-drover-27d', ['oil-filter-housing'], []],
    ];
    private const BROKEN = 8;

    public static function values(): iterable
    {
        foreach (self::JOBS as $i => [$vehicleId, $procedures, $choices]) {
            $vehicle = Sheets::vehicle($vehicleId);
            foreach ([1, 2] as $people) {
                foreach ([Sheets::kit(), Sheets::kit(40), new Kit([], [])] as $k => $kit) {
                    if ((0 === $k) || (1 === $people)) {
                        $name = sprintf('%d %s %d %d', $i, implode(' ', $procedures), $people, $k);
                        $sheet = self::compiled($procedures, $choices, $vehicle, $kit, $people);
                        1 === $people && 0 === $k && yield 'sheet '.$name => self::steps($sheet);
                        0 === $k && yield 'timing '.$name => self::timing($sheet);
                        yield 'findings '.$name => self::findings($sheet->findings);
                        yield 'round '.$name => WrenchRound::of($sheet, $vehicle, $kit);
                    }
                }
            }
            yield from self::broken((string) $i, self::compiled($procedures, $choices, $vehicle, Sheets::kit(), 1), $vehicle);
        }
        yield from self::joints();
    }

    private static function steps(Sheet $sheet): string
    {
        return implode("\n", array_map(static fn (Step $step): string => sprintf(
            '%s: %s, %s | %s%s', $step->id, $step->deed->value, $step->slot->phase->value, Text::of($step->target), Text::of([
                'minutes' => $step->slot->minutes, 'by itself' => $step->slot->passive ? 'yes' : '', 'until' => $step->slot->until,
                'after' => implode(' ', $step->slot->after), 'tools' => implode(' + ', $step->needs->tools),
                'cautions' => count($step->words->cautions), 'tags' => implode(' ', $step->tags),
            ]),
        ), $sheet->steps));
    }

    private static function timing(Sheet $sheet): string
    {
        $spans = [];
        foreach ($sheet->timing->spans as $id => [$from, $to, $who]) {
            $spans[] = sprintf('%s %g-%g %s', $id, round($from, 1), round($to, 1), 0 === $who ? 'by itself' : 'by '.$who);
        }
        $timing = $sheet->timing;

        return Text::of([$timing->low, $timing->likely, $timing->high, $timing->mean, $timing->saved, $sheet->moves, $sheet->worst()])
            ."\n".implode(', ', $spans);
    }

    /** @param list<Finding> $findings */
    private static function findings(array $findings): string
    {
        return implode(', ', array_map(
            static fn (Finding $one): string => $one->level->value.' '.$one->code.' at '.$one->step, $findings,
        ));
    }

    /**
     * @param list<string> $procedures
     * @param array<string, string> $choices
     */
    private static function compiled(array $procedures, array $choices, VehicleSheet $vehicle, Kit $kit, int $people): Sheet
    {
        return (new Compiler(Sheets::common()))->compile(
            array_map(Sheets::procedure(...), $procedures), new Choices($choices), $vehicle, $kit, $people,
        );
    }

    /** @return iterable<string, mixed> */
    private static function broken(string $name, Sheet $sheet, VehicleSheet $vehicle): iterable
    {
        $random = new Randomizer(new Mt19937(crc32($name)));
        for ($n = 0; $n < self::BROKEN; ++$n) {
            $steps = $sheet->steps;
            for ($k = 0; $k <= $n % 3; ++$k) {
                $at = $random->getInt(0, count($steps) - 1);
                $taken = array_splice($steps, $at, 1);
                if (0 !== $random->getInt(0, 2)) {
                    array_splice($steps, $random->getInt(0, count($steps)), 0, $taken);
                }
            }
            $changed = Sheets::of(array_values($steps), $sheet->expects, $sheet);
            yield sprintf('broken %s %d', $name, $n) => self::findings(
                (new Linter())->findings($changed, $vehicle, Sheets::kit(0 === $n % 2 ? 0 : 9)),
            );
        }
    }

    /** @return iterable<string, mixed> */
    private static function joints(): iterable
    {
        $kit = new Kit([
            new Wrench('small', '1/4 in', 2, 20, 3, 220, 0), new Wrench('late', '3/8 in', 10, 100, 2, 300, 12),
            new Wrench('large', '1/2 in', 40, 210, 4, 450, 0),
        ], []);
        foreach (['veldra-tarn-20t', 'ostrel-vane-s6'] as $id) {
            foreach (Sheets::vehicle($id)->joints as $joint) {
                $told = JointMechanics::of($joint);
                yield 'joint '.$id.' '.$joint->id => [
                    $joint->takeUp(), $joint->turn(), $joint->turnForSeal(), $joint->byLength(), $told, $told?->byAngle(),
                    $told?->estimate(), $told?->goesIntoYield(), $told?->expected(),
                ];
                foreach ($joint->hasFigure() ? [30.0, 100.0] : [] as $share) {
                    $advice = WrenchAdvice::for($kit, $joint, $joint->torqueAt($share));
                    yield sprintf('wrench %s %s %s', $id, $joint->id, $share) => [$advice, $advice->isTooCoarse()];
                }
            }
        }
    }
}
