<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Pins;

use NimbleKnuckle\Core\Bench\Event\EventType;
use NimbleKnuckle\Core\Bench\Event\FitEvent;
use NimbleKnuckle\Core\CoreException;
use NimbleKnuckle\Core\Document\Node;
use NimbleKnuckle\Core\Procedure\Procedure;
use NimbleKnuckle\Core\Sheet\Sheet;
use NimbleKnuckle\Core\Sum\InvalidInput;
use NimbleKnuckle\Core\Vehicle\Shorthand;
use NimbleKnuckle\Core\Vehicle\VehicleSheet;
use NimbleKnuckle\Tests\Core\Plan\Sheets;
use Symfony\Component\Yaml\Yaml;

/** Documents with one leaf exchanged: read, or refused in words. Lines of shorthand, and events. */
final readonly class DocumentPins implements Pin
{
    private const LINES = [
        '3x M6x20 9 Nm', '4x M8x30 8.8 into aluminium casting, 22 Nm + 60°', 'grid 2x5 M8x25 T40 22 Nm',
        '1x M12x1.25x60 10.9 40 Nm + 75° new', '4x M12x40 8.8 70 Nm dry loaded passes 50 100 grid 2x2', '6 x M5x12 screws',
        '2x M8 20-25 Nm low end soft thread', '5x M6 snug + 1/4 turn', 'M10x1.5 left-hand 50 Nm', '3x M6x20 banana 9 Nm',
        'ring 8 M8 max 30 Nm 25 Nm', '8x M10 60 Nm passes 30 60 100 check', '2x M8x1.25-6g 25 Nm', '0x M6 9 Nm',
        '121x M6 9 Nm', '2x M6 12 mm grip 9 Nm oiled', 'one M8 bolt 18 ft-lb',
        '3x 5/16-18 UNC 18 ft-lb medium threadlocker', '2x M8 half turn', '2x M8x20, 25 Nm, gap 3 mm',
        '4x M6 10 mm socket 9 Nm stated in the maker’s manual', '2x G1/4 20 Nm', '3x M9x20 9 Nm', '2x M8 1,200 Nm',
        '6x M6x20 + 2x M6x30 9 Nm', '10x M7x40 20 Nm ring 10 reuse', '2x M8 25 Nm room', '1x M14 90 Nm single use',
        '3x M6 80 in-lb', '4x M8 ceiling 28 Nm 24 Nm',
    ];

    public static function values(): iterable
    {
        foreach (['veldra-tarn-20t' => 97, 'corrin-drover-27d' => 151] as $id => $every) {
            $document = Yaml::parseFile(dirname(__DIR__, 3).'/demo/vehicles/'.$id.'.yaml');
            foreach (is_array($document) ? Leaves::of($document, $every) : [] as $name => $changed) {
                yield $id.' '.$name => self::said(static fn (): VehicleSheet => VehicleSheet::read(Node::of($changed)));
            }
        }
        foreach (['thermostat-under' => 61, 'crank-damper' => 83] as $id => $every) {
            $document = Yaml::parseFile(dirname(__DIR__, 3).'/procedures/'.$id.'.yaml');
            foreach (is_array($document) ? Leaves::of($document, $every) : [] as $name => $changed) {
                yield $id.' '.$name => self::said(static fn (): Procedure => Procedure::read(Node::of($changed), Sheets::common()));
            }
        }
        $sheet = Sheets::thermostat();
        $plain = json_decode((string) json_encode($sheet->toArray()), true);
        foreach (is_array($plain) ? Leaves::of($plain, 911) : [] as $name => $changed) {
            yield 'sheet '.$name => self::said(static fn (): Sheet => Sheet::read(Node::of($changed)));
        }
        foreach (self::LINES as $line) {
            yield 'line '.$line => self::said(static fn (): mixed => Shorthand::read($line));
        }
        foreach ([
            '6x screws, 8 mm socket', ' 4 push pins ', 'screws', '0x screws', '60x screws', '61x screws', '999x a', '1 x y', '',
        ] as $line) {
            yield 'tray '.$line => self::said(static fn (): mixed => Shorthand::trayLine($line));
        }
        yield from self::events();
        yield from self::thresholds();
        foreach ([
            ['by', 10_000], ['by', 10_001], ['value', 1.0e9], ['value', 1.05e9], ['value', -1.0e9], ['value', -1.05e9],
        ] as [$field, $value]) {
            $type = 'by' === $field ? EventType::Counted : EventType::Measured;
            $payload = array_intersect_key(
                ['step' => 's', 'thing' => 't', 'by' => 1, 'field' => 'f', 'text' => 'x', 'value' => 1.0, 'unit' => 'L'], $type->fields(),
            );
            yield sprintf('event %s of %s', $field, $value) => self::said(static fn (): mixed => FitEvent::of(
                '01JABCDEFGHJKMNPQRSTVWXYZ0', $type, [$field => $value] + $payload, 'Joss Wending',
                new \DateTimeImmutable('2026-11-25T08:00:00Z'),
            )->toArray());
        }
    }

    /** @return iterable<string, list<string>> where along each number of a vehicle sheet it is refused, or plans otherwise */
    private static function thresholds(): iterable
    {
        $document = Yaml::parseFile(dirname(__DIR__, 3).'/demo/vehicles/veldra-tarn-20t.yaml');
        foreach ([
            'joints.0' => ['angle', 'swing', 'gap', 'seal_travel', 'longest', 'cure', 'grip.shank', 'grip.threaded', 'adapter.length',
                'adapter.angle', 'passes.0', 'pattern'],
            'circuits.0' => ['capacity', 'target', 'product', 'cap', 'marks', 'opens', 'every_months', 'every_km', 'heights.bleed'],
            'items.0' => ['off.0', 'on.2', 'tray.0.count'],
        ] as $where => $keys) {
            foreach ($keys as $key) {
                $path = [...explode('.', $where), ...explode('.', $key)];
                yield 'along '.$where.'.'.$key => Thresholds::of(static function (float $value) use ($document, $path): string {
                    $changed = Leaves::with(is_array($document) ? $document : [], $path, floor($value) === $value ? (int) $value : $value);
                    try {
                        VehicleSheet::read(Node::of($changed));

                        return 'read';
                    } catch (CoreException|\DomainException $e) {
                        return $e->getMessage();
                    }
                });
            }
        }
    }

    /** @return iterable<string, mixed> */
    private static function events(): iterable
    {
        $base = [
            'step' => 's', 'thing' => 't', 'by' => 1, 'bolt' => 1, 'stage' => 1, 'joint' => 'j', 'caution' => 0, 'field' => 'f',
            'text' => 'x', 'value' => 1.0, 'unit' => 'L', 'event' => '01J', 'seen' => 0, 'shown' => 0, 'reason' => 'why not',
            'what' => 'w', 'tool' => 'k',
        ];
        foreach (EventType::cases() as $type) {
            yield 'event '.$type->value => self::said(static fn (): mixed => FitEvent::of(
                '01JABCDEFGHJKMNPQRSTVWXYZ0', $type, $base, 'Joss Wending', new \DateTimeImmutable('2026-11-25T08:00:00Z'),
            )->toArray());
            foreach (Leaves::of($base, 17) as $name => $payload) {
                yield sprintf('event %s %s', $type->value, $name) => self::said(static fn (): mixed => FitEvent::of(
                    '01JABCDEFGHJKMNPQRSTVWXYZ0', $type, $payload, 'Joss Wending', new \DateTimeImmutable('2026-11-25T08:00:00Z'),
                )->toArray());
            }
        }
        foreach ([10_000, 10_001, -10_001] as $by) {
            yield 'count '.$by => self::said(static fn (): mixed => FitEvent::of(
                '01JABCDEFGHJKMNPQRSTVWXYZ0', EventType::Counted, ['step' => 's', 'thing' => 't', 'by' => $by], 'Joss Wending',
                new \DateTimeImmutable('2026-11-25T08:00:00Z'),
            )->toArray());
        }
    }

    /** @param callable(): mixed $read */
    private static function said(callable $read): mixed
    {
        try {
            $read = $read();

            return $read instanceof VehicleSheet || $read instanceof Procedure || $read instanceof Sheet ? 'read' : $read;
        } catch (CoreException|InvalidInput $e) {
            return $e->getMessage();
        } catch (\DomainException|\LogicException $e) {
            return $e::class.' '.$e->getMessage();
        }
    }
}
