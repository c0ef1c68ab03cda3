<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Vehicle;

use NimbleKnuckle\Core\Document\Node;
use NimbleKnuckle\Core\Vehicle\Joint;
use NimbleKnuckle\Core\Vehicle\VehicleSheet;
use Symfony\Component\Yaml\Yaml;

/** All demo vehicles in one: what two of them have of a role is taken from the first, so that every procedure can be planned on it. */
final readonly class WholeVehicle
{
    public static function sheet(): VehicleSheet
    {
        /** @var VehicleSheet|null $made */
        static $made = null;

        return $made ??= self::made();
    }

    private static function made(): VehicleSheet
    {
        $whole = ['items' => [], 'joints' => [], 'circuits' => []];
        $head = $known = [];
        foreach (glob(dirname(__DIR__, 3).'/demo/vehicles/*.yaml') ?: [] as $file) {
            $document = Yaml::parseFile($file);
            $head = $head ?: (is_array($document) ? $document : []);
            foreach (array_keys($whole) as $kind) {
                $things = is_array($document) && is_array($document[$kind] ?? null) ? $document[$kind] : [];
                foreach ($things as $thing) {
                    if (is_array($thing)) {
                        self::add($whole[$kind], $known, $kind, basename($file), $thing);
                    }
                }
            }
        }

        return VehicleSheet::read(Node::of($whole + ['limits' => []] + $head));
    }

    /**
     * @param list<array<array-key, mixed>> $things
     * @param array<string, string> $known what something of one vehicle goes by here
     * @param array<array-key, mixed> $thing
     */
    private static function add(array &$things, array &$known, string $kind, string $from, array $thing): void
    {
        $text = static fn (string $key): string => is_string($thing[$key] ?? null) ? $thing[$key] : '';
        $role = '' === $text('role') ? $text('id') : $text('role');
        // Each wheel has fasteners of its own, of the first vehicle that has that wheel.
        $role .= Joint::WHEEL === $role ? ' '.$text('item') : '';
        $isThere = $known[$kind.' '.$role] ?? '';
        $known[$from.' '.$kind.' '.$text('id')] = '' === $isThere ? $text('id') : $isThere;
        if ('' !== $isThere) {
            return;
        }
        $known[$kind.' '.$role] = $text('id');
        $here = static fn (mixed $ids): array => array_values(array_map(
            static fn (mixed $id): string => $known[$from.' items '.(is_string($id) ? $id : '')] ?? (is_string($id) ? $id : ''),
            is_array($ids) ? $ids : [$ids],
        ));
        foreach (['behind', 'drain_behind'] as $key) {
            isset($thing[$key]) && $thing[$key] = $here($thing[$key]);
        }
        isset($thing['item']) && $thing['item'] = $here($thing['item'])[0] ?? '';
        foreach (['acts', 'ends'] as $key) {
            foreach (is_array($thing[$key] ?? null) ? $thing[$key] : [] as $i => $one) {
                // @phpstan-ignore-next-line offsetAccess.nonOffsetAccessible
                is_array($one) && isset($one['behind']) && $thing[$key][$i]['behind'] = $here($one['behind']);
            }
        }
        $things[] = $thing;
    }
}
