<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Garage;

use NimbleKnuckle\App\Schemas\SchemaBook;
use NimbleKnuckle\App\Storage\ChangedMeanwhile;
use NimbleKnuckle\Core\Document\InvalidDocument;
use NimbleKnuckle\Core\Document\Node;
use NimbleKnuckle\Core\Plan\Minutes;
use NimbleKnuckle\Core\Quantity\InvalidQuantity;
use NimbleKnuckle\Core\Quantity\Kind;
use NimbleKnuckle\Core\Quantity\Notation;
use NimbleKnuckle\Core\Sum\InvalidInput;
use NimbleKnuckle\Core\Vehicle\Dangers;
use NimbleKnuckle\Core\Vehicle\Item;
use NimbleKnuckle\Core\Vehicle\ItemList;
use NimbleKnuckle\Core\Vehicle\ItemWords;
use NimbleKnuckle\Core\Vehicle\Plumbing;
use NimbleKnuckle\Core\Vehicle\ReachWords;
use NimbleKnuckle\Core\Vehicle\Shorthand;
use NimbleKnuckle\Core\Vehicle\VehicleSheet;
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
    public function apply(VehicleRecord $vehicle, string $what, InputBag $form, string $person = ''): void
    {
        $change = fn (array $document): array => $this->changed(new SheetDocument($document), $what, $form);
        $this->garage->change($vehicle->id, $change, $person, self::words($what, $form));
    }

    /**
     * Which wheels come off, and what holds them.
     *
     * @param InputBag<string> $form
     *
     * @throws InvalidDocument|InvalidInput with the place and the remedy
     */
    public function wheels(VehicleRecord $vehicle, InputBag $form, string $person): void
    {
        $this->garage->change($vehicle->id, function (array $document) use ($form): array {
            $wheels = WheelForm::of(VehicleSheet::read(Node::of($document)));

            return null === $wheels ? $document : $this->ensured($wheels->entered(new SheetDocument($document), $form)->document);
        }, $person, 'wheels entered');
    }

    /**
     * Many items at once, all of them or none.
     *
     * @throws InvalidInput when a line of the list is not understood
     */
    public function paste(VehicleRecord $vehicle, string $text, string $person): int
    {
        $read = ItemList::read($text, array_map(static fn (Item $item): string => $item->name, $vehicle->sheet()->items));
        $read->isRight() || throw InvalidInput::in('list', 'Nothing is kept yet: put right what is said beside the lines, then keep them.');
        $items = array_map(
            fn (array $item): array => $this->bare($item + ['role' => $this->roles->book()->suggested(
                'item', is_string($item['name'] ?? null) ? $item['name'] : '',
            )]),
            $read->items(),
        );
        $this->garage->change($vehicle->id, function (array $document) use ($items): array {
            $changed = new SheetDocument($document);
            foreach ($items as $item) {
                $changed = $changed->with('items', $item);
            }

            return $this->ensured($changed->document);
        }, $person, sprintf('%d items from a list', count($items)));

        return count($items);
    }

    /**
     * @param InputBag<string> $form
     *
     * @return array<array-key, mixed>
     */
    private function changed(SheetDocument $sheet, string $what, InputBag $form): array
    {
        $this->ensureAsSeen($sheet, $what, $form);

        $changed = match ($what) {
            'item' => $sheet->with('items', $this->item($sheet, $form), $form->keys()),
            'joint' => $sheet->with('joints', $this->joint($sheet, $form), $form->keys()),
            'circuit' => $sheet->with('circuits', $this->circuit($form), $form->keys()),
            'lifting' => new SheetDocument(
                ['lifting' => LiftingForm::read($form, VehicleSheet::read(Node::of($sheet->document)))] + $sheet->document,
            ),
            'forgets' => $sheet->set('battery_off', self::lines($form, 'battery_off')),
            'limit' => $sheet->set('limits', self::replaced($sheet->list('limits'), $form->getString('id'), $this->limit($form))),
            'drop-item', 'drop-joint', 'drop-circuit', 'drop-limit' => $sheet->without(substr($what, 5).'s', $form->getString('id')),
            'check-item', 'check-joint', 'check-circuit' => $sheet->checked(substr($what, 6).'s', $form->getString('id')),
            default => throw InvalidInput::in('what', 'There is nothing like that to change.'),
        };

        return $this->ensured($changed->document);
    }

    /**
     * @param array<array-key, mixed> $document
     *
     * @return array<array-key, mixed>
     */
    private function ensured(array $document): array
    {
        $this->schemas->ensureValid($document, 'vehicle-2');
        $circle = VehicleSheet::read(Node::of($document))->circle();
        [] === $circle || throw InvalidInput::in(
            'behind', sprintf('These would lie in front of each other in a circle: %s. Untick one.', implode(' → ', $circle)),
        );

        return $document;
    }

    /**
     * @param list<mixed> $list
     * @param array<string, mixed> $limit
     *
     * @return list<mixed> the limit in its place, or at the end
     */
    private static function replaced(array $list, string $place, array $limit): array
    {
        $list['' === $place || !isset($list[(int) $place]) ? count($list) : (int) $place] = $limit;

        return array_values($list);
    }

    /**
     * What a change is called where it can be undone.
     *
     * @param InputBag<string> $form
     */
    private static function words(string $what, InputBag $form): string
    {
        $name = mb_substr(trim($form->getString('name')) ?: $form->getString('id'), 0, 120);
        $isNew = '' === $form->getString('id');

        return match (true) {
            str_starts_with($what, 'drop-') => sprintf('%s deleted: %s', substr($what, 5), $name),
            str_starts_with($what, 'check-') => sprintf('%s checked: %s', substr($what, 6), $name),
            'lifting' === $what => 'what is known of lifting',
            'forgets' === $what => 'what it forgets with the battery off',
            'limit' === $what => sprintf('limit of the %s', $form->getString('body')),
            default => sprintf('%s %s: %s', $what, $isNew ? 'entered' : 'changed', $name),
        };
    }

    /** @param InputBag<string> $form */
    private function ensureAsSeen(SheetDocument $sheet, string $what, InputBag $form): void
    {
        $key = preg_replace('/^(drop|check)-/', '', $what).'s';
        if ('lifting' === $what) {
            self::ensureLiftingAsSeen($sheet->document['lifting'] ?? null, $form);
        }
        $isNewLimit = 'limit' === $what && '' === $form->getString('id');
        if (!$form->has('seen') || !in_array($key, SheetDocument::KINDS, true) || $isNewLimit || $this->isAnother($form)) {
            return;
        }
        $thing = $sheet->thing($key, 'limits' === $key ? $form->getString('id') : $this->id($form));
        $name = is_string($thing['name'] ?? null) ? $thing['name'] : ('' === $form->getString('name') ? 'It' : $form->getString('name'));
        ChangedMeanwhile::mark($thing) === $form->getString('seen') || throw ChangedMeanwhile::to(ucfirst($name), $thing);
    }

    /**
     * Two things may go by the same words: somebody said that it is another one.
     *
     * @param InputBag<string> $form
     */
    private function isAnother(InputBag $form): bool
    {
        return '' === $form->getString('id') && '' !== $form->getString('another');
    }

    /** @param InputBag<string> $form */
    private static function ensureLiftingAsSeen(mixed $lifting, InputBag $form): void
    {
        $now = is_array($lifting) ? $lifting : null;
        !$form->has('seen') || ChangedMeanwhile::mark($now) === $form->getString('seen')
            || throw ChangedMeanwhile::to('What is known of lifting', $now);
    }

    /**
     * @param InputBag<string> $form
     *
     * @return array<string, mixed>
     */
    private function item(SheetDocument $sheet, InputBag $form): array
    {
        $tray = [];
        foreach (preg_split('/\R/', $form->getString('tray')) ?: [] as $line) {
            if ('' !== trim($line)) {
                $tray[] = Shorthand::trayLine($line);
            }
        }

        return $this->bare([
            'id' => $this->freeId($sheet, 'items', $form), 'name' => $this->needed($form, 'name'), 'role' => $this->role($form, 'item'),
            'kind' => $form->getString('kind', 'part'),
            'place' => $form->getString('place', 'above'), 'side' => $form->getString('side'), 'stance' => $form->getString('stance'),
            'wheel' => $form->getString('wheel'),
            'behind' => array_values(array_filter($form->all('behind'), is_string(...))), 'off' => $this->minutes($form, 'off'),
            'on' => $this->minutes($form, 'on'),
            'remove_note' => trim($form->getString('remove_note')), 'refit_note' => trim($form->getString('refit_note')), 'tray' => $tray,
            'carries' => $form->getString('carries'), 'wet' => $form->getString('wet'),
            'hazards' => array_values(array_filter(
                ['battery', Dangers::STEERING], static fn (string $one): bool => '' !== $form->getString($one),
            )),
        ] + $this->parting($sheet, $form));
    }

    /**
     * What of an item is written a line each: its ends, acts, measures, cautions; what it ties, opens, protects and weighs.
     *
     * @param InputBag<string> $form
     *
     * @return array<string, mixed>
     */
    private function parting(SheetDocument $sheet, InputBag $form): array
    {
        $words = new ItemWords($sheet->names('items'));
        $tie = trim($form->getString('between'));

        return ('' === $tie ? [] : ItemWords::between($tie)) + [
            'ends' => array_map(ItemWords::end(...), self::lines($form, 'ends')),
            'acts' => array_map($words->act(...), self::lines($form, 'acts')),
            'measures' => array_map(ItemWords::measure(...), self::lines($form, 'measures')),
            'cautions' => array_map(ItemWords::caution(...), self::lines($form, 'cautions')),
            'opens' => array_values(array_filter($form->all('opens'), static fn (mixed $one): bool => is_string($one) && '' !== $one)),
            'protects' => $form->getString('protects'),
            'mass' => '' === trim($form->getString('mass')) ? '' : $this->number($form, 'mass', Kind::Mass),
        ];
    }

    /**
     * @param InputBag<string> $form
     *
     * @return list<string>
     */
    private static function lines(InputBag $form, string $field): array
    {
        return array_values(array_filter(
            array_map(trim(...), preg_split('/\R/', $form->getString($field)) ?: []), static fn (string $line): bool => '' !== $line,
        ));
    }

    /**
     * @param InputBag<string> $form
     *
     * @return array<string, mixed>
     */
    private function joint(SheetDocument $sheet, InputBag $form): array
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
            $this->sketched($form) + $this->reached($sheet, $form) + [
                'id' => $this->freeId($sheet, 'joints', $form), 'name' => $this->needed($form, 'name'),
                'role' => $this->role($form, 'joint'),
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
     * Its like places, its ends and what unlocks one of them.
     *
     * @param InputBag<string> $form
     *
     * @return array<string, mixed>
     */
    private function reached(SheetDocument $sheet, InputBag $form): array
    {
        $reach = new ReachWords($sheet->names('items'));
        $ends = array_map(static function (string $line) use ($reach): array {
            $parts = array_map(trim(...), explode(',', $line));

            return ['end' => mb_strtolower($parts[0])] + $reach->read(array_slice($parts, 1), 'ends', true);
        }, self::lines($form, 'ends'));
        $places = preg_split('/\s*[;\n]\s*/', trim($form->getString('places')), -1, \PREG_SPLIT_NO_EMPTY) ?: [];

        return $this->bare(['ends' => $ends, 'places' => $places, 'key' => trim($form->getString('key'))]);
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
        $kinds = [
            'opens' => Kind::Temperature, 'warmest' => Kind::Temperature, 'marks' => Kind::Volume, 'every_km' => Kind::Distance,
        ];
        foreach ($kinds as $field => $kind) {
            $given += '' === trim($form->getString($field)) ? [] : [$field => $this->number($form, $field, $kind)];
        }
        $given += '' === trim($form->getString('every_months'))
            ? []
            : ['every_months' => (int) $this->number($form, 'every_months', Kind::Number)];
        $given += [] === $heights ? [] : ['heights' => $heights];
        $given += '' === $form->getString('level') ? [] : ['level' => ['by' => $form->getString('level')] + (
            '' === trim($form->getString('level_after')) ? [] : ['after' => $this->number($form, 'level_after', Kind::Duration)]
        )];

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
        $id = '' !== $form->getString('id') ? $form->getString('id') : ItemList::id($form->getString('name'));

        return '' === $id ? throw InvalidInput::in('name', 'Give it a name of letters and digits.') : mb_substr($id, 0, 60);
    }

    /**
     * One that nothing on the sheet has yet, where somebody said that it is another one of the same name.
     *
     * @param InputBag<string> $form
     */
    private function freeId(SheetDocument $sheet, string $key, InputBag $form): string
    {
        $id = $this->id($form);
        for ($n = 2; $this->isAnother($form) && null !== $sheet->thing($key, $id); ++$n) {
            $id = mb_substr($this->id($form), 0, 56).'-'.$n;
        }

        return $id;
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
     * @param array<string, mixed> $thing
     *
     * @return array<string, mixed>
     */
    private function bare(array $thing): array
    {
        return array_filter($thing, static fn (mixed $value): bool => '' !== $value && [] !== $value);
    }
}
