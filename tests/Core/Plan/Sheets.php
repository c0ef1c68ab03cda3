<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Plan;

use NimbleKnuckle\Core\Compiler\Compiler;
use NimbleKnuckle\Core\Document\Node;
use NimbleKnuckle\Core\Kit\Kit;
use NimbleKnuckle\Core\Kit\Wrench;
use NimbleKnuckle\Core\Procedure\Choices;
use NimbleKnuckle\Core\Procedure\CommonParts;
use NimbleKnuckle\Core\Procedure\Procedure;
use NimbleKnuckle\Core\Sheet\Finding;
use NimbleKnuckle\Core\Sheet\Lists;
use NimbleKnuckle\Core\Sheet\Sheet;
use NimbleKnuckle\Core\Sheet\Step;
use NimbleKnuckle\Core\Vehicle\VehicleSheet;
use Symfony\Component\Yaml\Yaml;

/** The shipped procedures and demo vehicles, for tests. */
final readonly class Sheets
{
    public static function common(): CommonParts
    {
        /** @var CommonParts|null $common */
        static $common = null;

        return $common ??= CommonParts::read(Node::of(Yaml::parseFile(self::root().'/procedures/common.yaml')));
    }

    public static function procedure(string $id): Procedure
    {
        /** @var array<string, Procedure> $read */
        static $read = [];

        return $read[$id] ??= Procedure::read(Node::of(Yaml::parseFile(self::root().'/procedures/'.$id.'.yaml')), self::common());
    }

    /** @param callable(array<array-key, mixed>): array<array-key, mixed> $change */
    public static function vehicle(string $id, ?callable $change = null): VehicleSheet
    {
        /** @var array<string, mixed> $parsed */
        static $parsed = [];
        $document = $parsed[$id] ??= Yaml::parseFile(self::root().'/demo/vehicles/'.$id.'.yaml');
        $document = is_array($document) ? $document : [];

        return VehicleSheet::read(Node::of(null === $change ? $document : $change($document)));
    }

    public static function tarn(): VehicleSheet
    {
        return self::vehicle('veldra-tarn-20t');
    }

    public static function kit(int $daysLate = 0): Kit
    {
        /** @var array<int, Kit> $made */
        static $made = [];

        return $made[$daysLate] ??= self::makeKit($daysLate);
    }

    private static function makeKit(int $daysLate): Kit
    {
        $tools = [];
        foreach (['vacuum', 'bleed', 'burp'] as $fill) {
            foreach (self::thermostat(new Kit([], []), ['fill' => $fill])->steps as $step) {
                array_push($tools, ...$step->needs->tools);
            }
        }

        return new Kit(
            [
                new Wrench('1/4 in dial wrench', '1/4 in', 2, 20, 3, 220, $daysLate),
                new Wrench('1/2 in click wrench', '1/2 in', 40, 210, 4, 450, 0),
            ],
            [...$tools, '10 mm crow-foot'],
        );
    }

    /** @param array<string, string> $choices */
    public static function thermostat(?Kit $kit = null, array $choices = ['fill' => 'vacuum'], ?VehicleSheet $vehicle = null): Sheet
    {
        return (new Compiler(self::common()))->compile(
            [self::procedure('thermostat-under')], new Choices($choices), $vehicle ?? self::tarn(), $kit ?? self::kit(),
        );
    }

    /**
     * The same sheet with other steps.
     *
     * @param list<Step> $steps
     * @param list<string> $expects
     */
    public static function of(array $steps, array $expects = [], ?Sheet $like = null): Sheet
    {
        $like ??= self::thermostat();

        return new Sheet($like->title, $steps, [], new Lists(), $like->timing, 0, $expects);
    }

    /**
     * @param list<Finding> $findings
     *
     * @return list<string>
     */
    public static function codes(array $findings): array
    {
        return array_values(array_unique(array_map(static fn (Finding $finding): string => $finding->code, $findings)));
    }

    private static function root(): string
    {
        return dirname(__DIR__, 3);
    }

    /** @return list<array{string, list<string>, int}> every demo vehicle with each job and each two of them, for one person and for two */
    public static function pairs(): array
    {
        $names = static fn (string $in): array => array_map(
            static fn (string $file): string => basename($file, '.yaml'), glob(self::root().'/'.$in.'/*.yaml') ?: [],
        );
        $jobs = array_values(array_diff($names('procedures'), ['common']));
        $all = [];
        foreach ($names('demo/vehicles') as $vehicle) {
            foreach ($jobs as $i => $one) {
                foreach (array_slice($jobs, $i) as $other) {
                    foreach ([1, 2] as $people) {
                        $all[] = [$vehicle, array_values(array_unique([$one, $other])), $people];
                    }
                }
            }
        }

        return $all;
    }
}
