<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Compiler;

use NimbleKnuckle\Core\Compiler\Compiler;
use NimbleKnuckle\Core\Compiler\Complete\Moves;
use NimbleKnuckle\Core\Kit\Kit;
use NimbleKnuckle\Core\Plan\Position;
use NimbleKnuckle\Core\Procedure\Ask;
use NimbleKnuckle\Core\Procedure\Choices;
use NimbleKnuckle\Core\Procedure\Procedure;
use NimbleKnuckle\Core\Sheet\Sheet;
use NimbleKnuckle\Core\Sheet\Step;
use NimbleKnuckle\Core\Sheet\Tag;
use NimbleKnuckle\Core\State\VehicleState;
use NimbleKnuckle\Core\Vehicle\VehicleSheet;
use NimbleKnuckle\Tests\Core\Plan\Sheets;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Each shipped procedure as its mechanic would read it: what comes before what, and what must not be missing. */
#[CoversClass(Procedure::class)]
#[CoversClass(Moves::class)]
final class MendedProceduresTest extends TestCase
{
    /** @param list<string> $order steps in this order, others between them */
    #[DataProvider('orders')]
    public function testOneComesBeforeTheOther(string $vehicle, string $procedure, array $order, string $choice = ''): void
    {
        $sheet = self::sheet($vehicle, $procedure, $choice);
        $places = array_map($sheet->placeOf(...), $order);
        self::assertNotContains(-1, $places, json_encode(array_combine($order, $places), \JSON_THROW_ON_ERROR));
        $sorted = $places;
        sort($sorted);
        self::assertSame($sorted, $places, implode(', ', $order));
    }

    /** @return iterable<string, array{0: string, 1: string, 2: list<string>, 3?: string}> */
    public static function orders(): iterable
    {
        $drover = 'corrin-drover-27d';
        yield 'lower nuts on stands, then the bar, one mount after the other' => [$drover, 'engine-mounts', [
            'emount-left-lower', 'emount-bar-two', 'emount-left-upper', 'emount-up', 'emount-left-off', 'emount-left-on',
            'emount-right-off', 'emount-right-on', 'emount-down', 'emount-left-tight', 'emount-left-low-tight',
        ]];
        yield 'the insert goes in once the mount has settled' => [$drover, 'gearbox-mount', [
            'mount-exhaust', 'hold-gearbox-raised', 'mount-off', 'mount-look', 'mount-on', 'release-gearbox', 'mount-insert', 'mount-tight',
            'mount-exhaust-on',
        ]];
        yield 'the starter’s cover before its bolts' => [$drover, 'starter', [
            'starter-on', 'starter-cable-tight', 'starter-cover-on', 'starter-tight',
        ]];
        yield 'the idler’s bolt before its cap' => [$drover, 'serpentine-belt', [
            'off.idler-cap', 'idler-off', 'idler-on', 'idler-tight', 'on.idler-cap', 'belt-on', 'pin-out',
        ]];
        yield 'hose off once it is drained, weep hole cold and hot' => [$drover, 'water-pump', [
            'pump-drain', 'off.lower-hose', 'pump-off', 'pump-cap-on', 'pump-weep-cold', 'start-first', 'pump-weep', 'pump-cool',
            'level-cold',
        ], 'pump-fill=burp'];
        yield 'plugs out before the oil is waited for' => [$drover, 'oil-filter-housing', [
            'housing-plug-off', 'sump-plug-off', 'oil-drain', 'filter-off', 'oil-drained', 'housing-plug-tight', 'sump-tight', 'oil-fill',
            'oil-start', 'oil-leaks', 'oil-dip', 'oil-waste',
        ]];
        yield 'depth before and after, installer off before the bolt' => [$drover, 'crank-damper', [
            'damper-depth', 'damper-off', 'damper-measure', 'damper-on', 'damper-seated', 'damper-tight',
        ]];
        yield 'cover off before the wells are blown' => [
            'veldra-tarn-20t', 'spark-plugs', ['off.engine-cover', 'plugs-wells', 'coils-off'],
        ];
        yield 'watched while it burps' => ['veldra-tarn-20t', 'thermostat-under', [
            'start-first', 'warm-up-burp', 'burp-run', 'leaks-warm', 'cool-down', 'level-cold', 'book-level',
        ], 'fill=burp'];
        yield 'watched after a vacuum fill, cap on before' => ['veldra-tarn-20t', 'thermostat-under', [
            'vacuum-fill', 'cap-on', 'start-first', 'warm-up', 'leaks-warm',
        ], 'fill=vacuum'];
        yield 'airbox by its finger, then watched' => ['ostrel-vane-s6', 'thermostat-front', [
            'tf-fan-on', 'tf-airbox-on', 'tf-fill', 'tf-cap-on', 'start-first', 'tf-warm', 'tf-leaks', 'drive-short', 'level-cold',
        ]];
    }

    public function testTheColdMarkIsReadOnItsWheels(): void
    {
        foreach ([
            ['veldra-tarn-20t', 'thermostat-under'], ['askerby-roan-30t', 'thermostat-front'], ['pelliver-dray-18', 'water-pump'],
        ] as [$vehicle, $procedure]) {
            $rig = VehicleState::standing(Sheets::vehicle($vehicle));
            foreach (self::sheet($vehicle, $procedure)->steps as $step) {
                self::assertFalse('level-cold' === $step->id && $rig->raised, $vehicle);
                $rig = $rig->after($step);
            }
        }
    }

    public function testAStartOnStandsSaysSo(): void
    {
        $started = 0;
        foreach ([
            ['veldra-tarn-20t', 'thermostat-under'], ['pelliver-dray-18', 'water-pump'], ['ostrel-vane-s6', 'crank-damper'],
        ] as [$v, $p]) {
            $rig = VehicleState::standing(Sheets::vehicle($v));
            foreach (self::sheet($v, $p)->steps as $step) {
                $said = str_contains(implode(' ', array_column($step->words->cautions, 'text')), 'It stands on stands.');
                if ('start' === $step->deed->value) {
                    self::assertSame($rig->raised, $said, $v.' '.$step->id);
                    self::assertSame($rig->raised, in_array(Tag::ON_STANDS, $step->tags, true), $v.' '.$step->id);
                    $started += $rig->raised ? 1 : 0;
                }
                $rig = $rig->after($step);
            }
        }
        self::assertSame(1, $started, 'the pump of the van waits until its wheel is tight on the ground');
    }

    public function testAMountJobIsNotAskedForHosesGaugesAndCaps(): void
    {
        foreach ([
            ['pelliver-dray-18', 'engine-mounts'], ['pelliver-dray-18', 'torque-rod-mounts'], ['corrin-drover-27d', 'gearbox-mount'],
            ['corrin-drover-27d', 'gearbox-mount-pu'], ['corrin-drover-27d', 'gearbox-crossmember'],
        ] as [$vehicle, $procedure]) {
            foreach (self::sheet($vehicle, $procedure)->steps as $step) {
                self::assertSame([], array_filter($step->asking->asks, static fn ($ask): bool => 'drive_temperature' === $ask->field));
                self::assertDoesNotMatchRegularExpression('/hose ends|\bcap\b.*hot/i', $step->words->text, $procedure.' '.$step->id);
            }
        }
    }

    /** Rated 88 °C: from 80, eight under it, to the 108 that this one normally gets. */
    public function testHowWarmItGetsIsHeldAgainstTheVehicle(): void
    {
        $asked = static fn (VehicleSheet $on): Ask => array_values(array_filter(
            Sheets::thermostat(null, [], $on)->step('drive-short')->asking->asks ?? [],
            static fn (Ask $ask): bool => 'drive_temperature' === $ask->field,
        ))[0];
        $ask = $asked(Sheets::tarn());
        self::assertSame([80.0, 108.0], [$ask->limits->low, $ask->limits->high]);
        self::assertStringContainsString('Under 80 °C the thermostat hangs open; over 108 °C', $ask->past);
        $unsaid = Sheets::vehicle('veldra-tarn-20t', static function (array $d): array {
            $circuits = is_array($d['circuits']) ? $d['circuits'] : [];

            return ['circuits' => array_map(static fn (mixed $one): mixed => is_array($one) ? array_diff_key(
                $one, ['opens' => true],
            ) : $one, $circuits)] + $d;
        });
        self::assertSame([75.0, 108.0], [$asked($unsaid)->limits->low, $asked($unsaid)->limits->high], 'the procedure’s own');
    }

    /** A belt that is only in the way comes off like one that is changed: arm, tool and routing. */
    public function testABeltInTheWayIsNoLessSprung(): void
    {
        $off = self::sheet('ostrel-vane-s6', 'thermostat-front')->step('off.serpentine-belt') ?? self::fail('the belt is in the way');
        self::assertContains('long flex-head bar', $off->needs->tools);
        self::assertStringContainsString('routing', $off->words->text);
        self::assertTrue($off->words->cautions[0]->acknowledge);
        self::assertStringContainsString('sprung', $off->words->cautions[0]->text);
    }

    public function testUpperAndLowerNutsAreTwoJoints(): void
    {
        foreach (['veldra-tarn-20t', 'ostrel-vane-s6', 'corrin-drover-27d', 'pelliver-dray-18'] as $id) {
            $vehicle = Sheets::vehicle($id);
            $figure = static fn (string $role): ?float => $vehicle->jointFor($role)?->figure()?->value();
            self::assertNotSame($figure('left-mount-nuts'), $figure('left-mount-lower'), $id);
            $sheet = self::sheet($id, 'engine-mounts');
            self::assertSame(Position::Raised, $sheet->step('emount-left-lower')?->slot->position, $id);
            self::assertSame(Position::Ground, $sheet->step('emount-left-upper')?->slot->position, $id);
        }
    }

    public function testWhatTheListsMustHave(): void
    {
        $parts = static fn (string $vehicle, string $procedure): array => array_column(
            self::sheet($vehicle, $procedure)->lists->parts, 'name',
        );
        self::assertContains('housing plug washer', $parts('corrin-drover-27d', 'oil-filter-housing'));
        self::assertContains('housing bolts, both sizes', $parts('ostrel-vane-s6', 'thermostat-front'));
        self::assertContains('seals of the quick couplings', $parts('ostrel-vane-s6', 'thermostat-front'));
        $asks = array_merge(...array_map(
            static fn (Step $step): array => array_column($step->asking->asks, 'field'),
            self::sheet('ostrel-vane-s6', 'crank-damper')->steps,
        ));
        self::assertSame([], array_diff([
            'snout', 'snout_back', 'bore', 'bore_back', 'hub_outside', 'fit_length', 'depth_before', 'depth_after',
        ], $asks));
    }

    public function testNoProcedureSaysWhichWayTheValveOfAVehiclePoints(): void
    {
        foreach (glob(dirname(__DIR__, 3).'/procedures/*.yaml') ?: [] as $file) {
            $text = (string) file_get_contents($file);
            self::assertDoesNotMatchRegularExpression('/[Vv]ent valve to the (top|side)/', $text, basename($file));
        }
    }

    private static function sheet(string $vehicle, string $procedure, string $choice = ''): Sheet
    {
        $choices = '' === $choice ? [] : [explode('=', $choice)[0] => explode('=', $choice)[1]];

        return (new Compiler(Sheets::common()))->compile(
            [Sheets::procedure($procedure)], new Choices($choices), Sheets::vehicle($vehicle), new Kit([], []),
        );
    }
}
