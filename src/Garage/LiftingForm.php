<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Garage;

use NimbleKnuckle\Core\Lifting\EngineMount;
use NimbleKnuckle\Core\Lifting\TiltPoint;
use NimbleKnuckle\Core\Quantity\InvalidQuantity;
use NimbleKnuckle\Core\Quantity\Kind;
use NimbleKnuckle\Core\Quantity\Notation;
use NimbleKnuckle\Core\Sum\InvalidInput;
use NimbleKnuckle\Core\Vehicle\Hook;
use NimbleKnuckle\Core\Vehicle\Item;
use NimbleKnuckle\Core\Vehicle\VehicleSheet;
use Symfony\Component\HttpFoundation\InputBag;

/**
 * What is known of lifting an engine, as it is written on the form: one hook, one thing that comes near, one mount a line, the name
 * first and its numbers after it.
 */
final readonly class LiftingForm
{
    /** field => [its numbers, how a line is written] */
    private const LINES = [
        'hooks' => [['x', 'y', 'rating'], 'front hook 310 380 200'],
        'points' => [['x', 'y', 'gap', 'direction'], 'fan 420 250 22 90'],
        'mounts' => [['x', 'y', 'kx', 'ky'], 'left mount -300 200 120 180'],
    ];
    /** These may be left out at the end of a line. */
    private const OPEN = ['rating'];
    private const KINDS = ['' => 'rubber', 'rubber' => 'rubber', 'pu' => 'pu', 'polyurethane' => 'pu'];

    /**
     * @param InputBag<string> $form
     *
     * @return array<string, mixed> as it stands in nimble-knuckle/vehicle@2; empty where nothing was entered
     *
     * @throws InvalidInput that names the field, the line and how it is written
     */
    public static function read(InputBag $form, VehicleSheet $sheet): array
    {
        $hooks = $points = $mounts = [];
        foreach (self::lines($form, 'hooks') as [$name, $numbers]) {
            $hooks[] = ['name' => $name] + $numbers;
        }
        foreach (self::lines($form, 'points', 'freed by') as [$name, $numbers, $freedBy]) {
            $points[] = ['name' => $name] + $numbers + ('' === $freedBy ? [] : ['freed_by' => self::item($freedBy, $sheet)]);
        }
        foreach (self::lines($form, 'mounts', '') as [$name, $numbers, $kind]) {
            min($numbers['kx'] ?? 0.0, $numbers['ky'] ?? 0.0) >= 0.0 || throw InvalidInput::in(
                'mounts', sprintf('The stiffness of the %s is not less than nothing.', $name),
            );
            $mounts[] = ['name' => $name] + $numbers + ['kind' => self::KINDS[mb_strtolower($kind)] ?? throw InvalidInput::in(
                'mounts', sprintf('“%s” is no kind of mount: write rubber or pu at the end of the line.', mb_substr($kind, 0, 30)),
            )];
        }

        return array_filter([
            'mass' => self::mass(trim($form->getString('mass'))), 'pivot' => self::pivot(trim($form->getString('pivot'))),
            'hooks' => $hooks, 'points' => $points, 'mounts' => $mounts,
        ]);
    }

    /** @return array<string, string> field => what stands in it */
    public static function written(VehicleSheet $sheet): array
    {
        $lifting = $sheet->lifting;
        $plain = static fn (float ...$numbers): string => implode(' ', array_map(static fn (float $n): string => (string) $n, $numbers));

        return [
            'mass' => $lifting->mass > 0.0 ? $lifting->mass.' kg' : '',
            'pivot' => null === $lifting->pivot ? '' : $plain(...$lifting->pivot),
            'hooks' => implode("\n", array_map(static fn (Hook $hook): string => trim(
                $hook->name.' '.$plain($hook->x, $hook->y).($hook->rating > 0.0 ? ' '.$hook->rating : ''),
            ), $lifting->hooks)),
            'points' => implode("\n", array_map(
                static fn (TiltPoint $point): string => $point->name.' '.$plain($point->x, $point->y, $point->gap, $point->direction)
                    .(isset($lifting->freedBy[$point->name]) ? ' freed by '.$sheet->items[$lifting->freedBy[$point->name]]->name : ''),
                $lifting->points,
            )),
            'mounts' => implode("\n", array_map(static fn (EngineMount $mount): string => sprintf(
                '%s %s %s', $mount->name, $plain($mount->x, $mount->y, $mount->kx, $mount->ky), $mount->isRubber ? 'rubber' : 'pu',
            ), $lifting->mounts)),
        ];
    }

    private static function mass(string $text): float
    {
        try {
            return '' === $text ? 0.0 : Notation::read(Kind::Mass, $text)->value();
        } catch (InvalidQuantity $e) {
            throw InvalidInput::in('mass', 'Mass: '.$e->getMessage());
        }
    }

    /** @return list<float> */
    private static function pivot(string $text): array
    {
        $numbers = preg_split('/[\s,;]+/', str_replace('−', '-', $text), -1, \PREG_SPLIT_NO_EMPTY) ?: [];
        in_array(count(array_filter($numbers, is_numeric(...))), [0, 2], true) && in_array(count($numbers), [0, 2], true)
            || throw InvalidInput::in('pivot', 'Where it turns: two numbers in mm, forward and up, like −420 40.');

        return array_map(floatval(...), $numbers);
    }

    /**
     * @param InputBag<string> $form
     * @param ?string $word before what may follow the numbers; null where nothing may, empty where no word is needed
     *
     * @return list<array{string, array<string, float>, string}> name, its numbers, what follows them
     */
    private static function lines(InputBag $form, string $field, ?string $word = null): array
    {
        [$names, $example] = self::LINES[$field];
        $number = '(-?\d+(?:[.,]\d+)?)';
        $wanted = count($names) - count(array_intersect($names, self::OPEN));
        $tail = null === $word ? '' : '(?:\s+'.('' === $word ? '' : $word.'\s*').'(?<after>\D.*)?)?';
        $pattern = '/\A(?<name>.*?[^\s\d.,-].*?)'.str_repeat('[\s,;]+'.$number, $wanted)
            .str_repeat('(?:[\s,;]+'.$number.')?', count($names) - $wanted).$tail.'\z/ui';
        $read = [];
        foreach (preg_split('/\R/', str_replace('−', '-', $form->getString($field))) ?: [] as $i => $line) {
            if ('' === trim($line)) {
                continue;
            }
            1 === preg_match($pattern, trim($line), $m) || throw InvalidInput::in($field, sprintf(
                'Line %d, “%s”, is not understood: a name, then its numbers in mm, like “%s”.', $i + 1,
                mb_substr(trim($line), 0, 60), $example,
            ));
            $numbers = [];
            foreach ($names as $k => $name) {
                $value = $m[$k + 2] ?? '';
                $numbers += '' === $value ? [] : [$name => (float) str_replace(',', '.', $value)];
            }
            $read[] = [trim($m['name']), $numbers, trim($m['after'] ?? '')];
        }

        return $read;
    }

    private static function item(string $name, VehicleSheet $sheet): string
    {
        foreach ($sheet->items as $item) {
            if (mb_strtolower($item->name) === mb_strtolower($name) || $item->id === $name) {
                return $item->id;
            }
        }

        throw InvalidInput::in('points', sprintf(
            'No item of the sheet is called “%s”. There are: %s.', mb_substr($name, 0, 60),
            implode(', ', array_map(static fn (Item $item): string => $item->name, $sheet->items)),
        ));
    }
}
