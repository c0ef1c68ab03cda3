<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Garage;

use NimbleKnuckle\App\Schemas\SchemaBook;
use NimbleKnuckle\App\Storage\ChangedMeanwhile;
use NimbleKnuckle\Core\Document\InvalidDocument;
use NimbleKnuckle\Core\Document\Node;
use NimbleKnuckle\Core\Plan\Minutes;
use NimbleKnuckle\Core\Plan\Vehicle\Plumbing;
use NimbleKnuckle\Core\Plan\Vehicle\Shorthand;
use NimbleKnuckle\Core\Plan\Vehicle\VehicleSheet;
use NimbleKnuckle\Core\Quantity\InvalidQuantity;
use NimbleKnuckle\Core\Quantity\Kind;
use NimbleKnuckle\Core\Quantity\Notation;
use NimbleKnuckle\Core\Sum\InvalidInput;
use Symfony\Component\HttpFoundation\InputBag;

/** Changes to a vehicle sheet, one thing at a time; a sheet that would be wrong is never kept. */
final readonly class VehicleEditor
{
    /** Chosen where nobody chose: the name says it. */
    public const BY_NAME = 'by-name';

    public function __construct(private Garage $garage, private SchemaBook $schemas, private KnownRoles $roles)
    {
    }

    /**
     * @param InputBag<string> $form
     *
     * @throws InvalidDocument|InvalidInput with the place and the remedy
     * @throws ChangedMeanwhile when the form was opened before somebody changed the same thing
     */
    public function apply(VehicleRecord $vehicle, string $what, InputBag $form): void
    {
        $this->garage->change($vehicle->id, fn (array $document): array => $this->changed($document, $what, $form));
    }

    /**
     * @param array<array-key, mixed> $document
     * @param InputBag<string> $form
     *
     * @return array<array-key, mixed>
     */
    private function changed(array $document, string $what, InputBag $form): array
    {
        $this->ensureAsSeen($document, $what, $form);
        $document = match ($what) {
            'item' => $this->put($document, 'items', $this->item($form)),
            'joint' => $this->put($document, 'joints', $this->joint($form)),
            'circuit' => $this->put($document, 'circuits', $this->circuit($form)),
            'lifting' => ['lifting' => LiftingForm::read($form, VehicleSheet::read(Node::of($document)))] + $document,
            'limit' => ['limits' => [...$this->list($document, 'limits'), $this->limit($form)]] + $document,
            'drop-item', 'drop-joint', 'drop-circuit' => $this->without($document, substr($what, 5).'s', $form->getString('id')),
            'drop-limit' => ['limits' => array_values(array_diff_key(
                $this->list($document, 'limits'), [$form->getInt('id') => true],
            ))] + $document,
            default => throw InvalidInput::in('what', 'There is nothing like that to change.'),
        };
        $this->schemas->ensureValid($document, 'vehicle-1');
        $circle = VehicleSheet::read(Node::of($document))->circle();
        [] === $circle || throw InvalidInput::in(
            'behind', sprintf('These would lie in front of each other in a circle: %s. Untick one.', implode(' → ', $circle)),
        );

        return $document;
    }

    /**
     * @param array<array-key, mixed> $document
     * @param InputBag<string> $form
     */
    private function ensureAsSeen(array $document, string $what, InputBag $form): void
    {
        $key = preg_replace('/^drop-/', '', $what).'s';
        if ('lifting' === $what) {
            self::ensureLiftingAsSeen($document['lifting'] ?? null, $form);
        }
        if (!$form->has('seen') || !in_array($key, ['items', 'joints', 'circuits', 'limits'], true) || 'limit' === $what) {
            return;
        }
        $thing = $this->thing($document, $key, 'limits' === $key ? $form->getString('id') : $this->id($form));
        $name = is_string($thing['name'] ?? null) ? $thing['name'] : ('' === $form->getString('name') ? 'It' : $form->getString('name'));
        ChangedMeanwhile::mark($thing) === $form->getString('seen') || throw ChangedMeanwhile::to(ucfirst($name), $thing);
    }

    /** @param InputBag<string> $form */
    private static function ensureLiftingAsSeen(mixed $lifting, InputBag $form): void
    {
        $now = is_array($lifting) ? $lifting : null;
        !$form->has('seen') || ChangedMeanwhile::mark($now) === $form->getString('seen')
            || throw ChangedMeanwhile::to('What is known of lifting', $now);
    }

    /**
     * @param array<array-key, mixed> $document
     *
     * @return array<array-key, mixed>|null
     */
    private function thing(array $document, string $key, string $id): ?array
    {
        foreach ($this->list($document, $key) as $i => $thing) {
            if (is_array($thing) && ('limits' === $key ? (string) $i : $thing['id'] ?? null) === $id) {
                return $thing;
            }
        }

        return null;
    }

    /**
     * @param InputBag<string> $form
     *
     * @return array<string, mixed>
     */
    private function item(InputBag $form): array
    {
        $tray = [];
        foreach (preg_split('/\R/', $form->getString('tray')) ?: [] as $line) {
            if ('' !== trim($line)) {
                $tray[] = Shorthand::trayLine($line);
            }
        }

        return $this->bare([
            'id' => $this->id($form), 'name' => $this->needed($form, 'name'), 'role' => $this->role($form, 'item'),
            'kind' => $form->getString('kind', 'part'),
            'position' => $form->getString('position', 'ground'), 'place' => $form->getString('place'),
            'behind' => array_values(array_filter($form->all('behind'), is_string(...))), 'off' => $this->minutes($form, 'off'),
            'on' => $this->minutes($form, 'on'),
            'remove_note' => trim($form->getString('remove_note')), 'refit_note' => trim($form->getString('refit_note')), 'tray' => $tray,
            'carries' => $form->getString('carries'), 'wet' => $form->getString('wet'),
            'hazards' => '' === $form->getString('battery') ? [] : ['battery'],
        ]);
    }

    /**
     * @param InputBag<string> $form
     *
     * @return array<string, mixed>
     */
    private function joint(InputBag $form): array
    {
        $line = $this->needed($form, 'line');
        $read = Shorthand::read($line);
        [] === $read->wrong || throw InvalidInput::in('line', implode(' ', $read->wrong));
        [] === $read->left || throw InvalidInput::in(
            'line',
            sprintf(
                'Not understood: “%s”. Write it like “3x M6x20 8.8 into aluminium casting 9 Nm dry reuse 10 mm socket ring”.',
                implode(' ', $read->left),
            ),
        );
        $note = trim($form->getString('note').' '.(is_string($read->joint['note'] ?? null) ? $read->joint['note'] : ''));

        $said = $read->joint + ['origin' => $form->getString('origin', 'makers'), 'dated' => trim($form->getString('dated'))];

        return $this->bare(
            $this->sketched($form) + [
                'id' => $this->id($form), 'name' => $this->needed($form, 'name'), 'role' => $this->role($form, 'joint'),
                'item' => $form->getString('item'),
                'note' => $note,
            ] + $said,
        );
    }

    /**
     * What the line does not say: the places tapped or typed, the bolt of each hole, grip, swing, limit, adapter.
     *
     * @param InputBag<string> $form
     *
     * @return array<string, mixed>
     */
    private function sketched(InputBag $form): array
    {
        $joint = [];
        $points = $this->points($form);
        if ([] !== $points) {
            $joint += ['layout' => $points, 'outline' => $form->getString('outline', 'plate')];
        }
        $lengths = preg_split('/\s*[;\n]\s*/', trim($form->getString('lengths')), -1, \PREG_SPLIT_NO_EMPTY) ?: [];
        $joint += [] === $lengths ? [] : ['lengths' => $lengths];
        foreach (['swing' => Kind::Angle, 'longest' => Kind::Length] as $field => $kind) {
            $joint += '' === trim($form->getString($field)) ? [] : [$field => $this->number($form, $field, $kind)];
        }
        if ('' !== trim($form->getString('shank').$form->getString('threaded'))) {
            $joint['grip'] = [
                'shank' => $this->number($form, 'shank', Kind::Length, 0.0),
                'threaded' => $this->number($form, 'threaded', Kind::Length, 0.0),
            ];
        }
        if ('' !== trim($form->getString('adapter'))) {
            $joint['adapter'] = $this->bare(
                ['length' => $this->number($form, 'adapter', Kind::Length), 'name' => trim($form->getString('adapter_name'))],
            );
        }

        return $joint;
    }

    /**
     * @param InputBag<string> $form
     *
     * @return list<array{float, float}>
     */
    private function points(InputBag $form): array
    {
        $points = [];
        foreach (preg_split('/\s*[;\n]\s*/', trim($form->getString('points')), -1, \PREG_SPLIT_NO_EMPTY) ?: [] as $i => $pair) {
            $numbers = preg_split('/[\s,]+/', $pair) ?: [];
            2 === count($numbers) && is_numeric($numbers[0]) && is_numeric($numbers[1]) || throw InvalidInput::in('points', sprintf(
                'Place %d, “%s”, is not two numbers: write them like 0,-58; -54,34.', $i + 1, mb_substr($pair, 0, 30),
            ));
            $points[] = [(float) $numbers[0], (float) $numbers[1]];
        }

        return $points;
    }

    /**
     * @param InputBag<string> $form
     *
     * @return array<string, mixed>
     */
    private function circuit(InputBag $form): array
    {
        $heights = [];
        foreach (Plumbing::HEIGHTS as $name) {
            $heights += '' === trim($form->getString('height_'.$name))
                ? []
                : [$name => $this->number($form, 'height_'.$name, Kind::Length)];
        }
        $given = [];
        foreach (['opens' => Kind::Temperature, 'marks' => Kind::Volume, 'every_km' => Kind::Distance] as $field => $kind) {
            $given += '' === trim($form->getString($field)) ? [] : [$field => $this->number($form, $field, $kind)];
        }
        $given += '' === trim($form->getString('every_months'))
            ? []
            : ['every_months' => (int) $this->number($form, 'every_months', Kind::Number)];
        $given += [] === $heights ? [] : ['heights' => $heights];

        return $this->bare($given + [
            'id' => $this->id($form), 'name' => $this->needed($form, 'name'), 'capacity' => $this->number($form, 'capacity', Kind::Volume),
            'family' => trim($form->getString('family')), 'target' => $this->number($form, 'target', Kind::Percent, 50.0),
            'product' => $this->number($form, 'product', Kind::Percent, 100.0), 'cap' => $this->number($form, 'cap', Kind::Pressure, 0.0),
            'drain_behind' => array_values(array_filter($form->all('behind'), is_string(...))), 'note' => trim($form->getString('note')),
        ]);
    }

    /**
     * @param InputBag<string> $form
     *
     * @return array<string, mixed>
     */
    private function limit(InputBag $form): array
    {
        return $this->bare(
            [
                'body' => $form->getString('body'), 'way' => $form->getString('way'),
                'mm' => $this->number($form, 'mm', Kind::Length), 'because' => $this->needed($form, 'because'),
                'freed_by' => $form->getString('freed_by'),
            ],
        );
    }

    /** @param InputBag<string> $form */
    private function id(InputBag $form): string
    {
        $id = '' !== $form->getString('id') ? $form->getString('id') : trim(
            (string) preg_replace('/[^a-z0-9]+/', '-', mb_strtolower($form->getString('name'))), '-',
        );

        '' !== $id || throw InvalidInput::in('name', 'Give it a name of letters and digits.');
        // An id of digits alone would be taken for a number.
        $id = 1 === preg_match('/\A\d+\z/', $id) ? 'no-'.$id : $id;

        return mb_substr($id, 0, 60);
    }

    /**
     * What it is needed as by the procedures: as chosen, else by its name, else nothing.
     *
     * @param InputBag<string> $form
     */
    private function role(InputBag $form, string $kind): string
    {
        $chosen = $form->getString('role', self::BY_NAME);
        if (self::BY_NAME === $chosen) {
            return $this->roles->book()->suggested($kind, $form->getString('name'));
        }

        return '' === $chosen || $this->roles->book()->knows($kind, $chosen) ? $chosen : throw InvalidInput::in(
            'role', sprintf('No procedure asks for “%s”: choose what it is needed as from the list.', mb_substr($chosen, 0, 60)),
        );
    }

    /** @param InputBag<string> $form */
    private function needed(InputBag $form, string $field): string
    {
        $text = trim($form->getString($field));

        return '' === $text ? throw InvalidInput::missing($field, 'a few words') : $text;
    }

    /**
     * A quantity as people write it, with its unit or in the base unit of its kind.
     *
     * @param InputBag<string> $form
     */
    private function number(InputBag $form, string $field, Kind $kind, ?float $default = null): float
    {
        $text = trim($form->getString($field));
        if ('' === $text && null !== $default) {
            return $default;
        }

        return $this->value($text, $field, $kind);
    }

    private static function label(string $field): string
    {
        return in_array($field, ['off', 'on'], true) ? 'Minutes '.$field : ucfirst(strtr($field, ['_' => ' ']));
    }

    private function value(string $text, string $field, Kind $kind): float
    {
        try {
            return Notation::read($kind, $text)->value();
        } catch (InvalidQuantity $e) {
            throw InvalidInput::in($field, sprintf('%s: %s', self::label($field), lcfirst($e->getMessage())));
        }
    }

    /**
     * @param InputBag<string> $form
     *
     * @return list<float>
     */
    private function minutes(InputBag $form, string $field): array
    {
        $numbers = array_map(
            fn (string $text): float => $this->value($text, $field, Kind::Duration),
            preg_split('/[\s;]+/', trim($form->getString($field)), -1, \PREG_SPLIT_NO_EMPTY) ?: [],
        );
        in_array(count($numbers), [0, 1, 3], true) || throw InvalidInput::in(
            $field, sprintf('Minutes %s: give one number, or three that rise: low, likely, high.', $field),
        );
        try {
            return match (count($numbers)) {
                0 => (new Minutes(2, 4, 8))->toArray(),
                1 => Minutes::around($numbers[0])->toArray(),
                default => (new Minutes(...$numbers))->toArray(),
            };
        } catch (\DomainException) {
            throw InvalidInput::in($field, sprintf('Minutes %s rise from low to high and are not below zero.', $field));
        }
    }

    /**
     * @param array<array-key, mixed> $document
     * @param array<string, mixed> $thing
     *
     * @return array<array-key, mixed>
     */
    private function put(array $document, string $key, array $thing): array
    {
        $list = $this->list($document, $key);
        foreach ($list as $i => $old) {
            if (is_array($old) && ($old['id'] ?? null) === $thing['id']) {
                $list[$i] = $thing + array_diff_key(
                    $old,
                    array_flip(
                        [
                            'role', 'behind', 'place',
                            'tray', 'carries', 'wet', 'hazards', 'remove_note', 'refit_note', 'note', 'compound', 'friction',
                            'material', 'grade', 'figure', 'length', 'lengths', 'tool', 'angle', 'swing', 'gap', 'first', 'check',
                            'passes', 'when', 'drain_behind',
                        ],
                    ),
                );

                return [$key => $list] + $document;
            }
        }

        return [$key => [...$list, $thing]] + $document;
    }

    /**
     * @param array<array-key, mixed> $document
     *
     * @return array<array-key, mixed>
     */
    private function without(array $document, string $key, string $id): array
    {
        if ('items' === $key) {
            foreach (['items' => 'behind', 'circuits' => 'drain_behind'] as $other => $field) {
                $document[$other] = array_map(static function (mixed $thing) use ($field, $id): mixed {
                    $named = is_array($thing) ? $thing[$field] ?? null : null;

                    return is_array($thing) && is_array($named)
                        ? [$field => array_values(array_filter($named, static fn (mixed $one): bool => $one !== $id))] + $thing
                        : $thing;
                }, $this->list($document, $other));
            }
            foreach ($this->list($document, 'joints') as $joint) {
                is_array($joint) && ($joint['item'] ?? null) === $id && throw InvalidInput::in(
                    'id', 'A joint still belongs to it: take the joint away first.',
                );
            }
        }

        return [$key => array_values(
            array_filter(
                $this->list($document, $key), static fn (mixed $thing): bool => !is_array($thing) || ($thing['id'] ?? null) !== $id,
            ),
        )] + $document;
    }

    /**
     * @param array<array-key, mixed> $document
     *
     * @return list<mixed>
     */
    private function list(array $document, string $key): array
    {
        return is_array($document[$key] ?? null) ? array_values($document[$key]) : [];
    }

    /**
     * @param array<string, mixed> $thing
     *
     * @return array<string, mixed>
     */
    private function bare(array $thing): array
    {
        return array_filter($thing, static fn (mixed $value): bool => '' !== $value && [] !== $value);
    }
}
