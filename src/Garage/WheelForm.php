<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Garage;

use NimbleKnuckle\Core\Bolting\Thread;
use NimbleKnuckle\Core\Plan\Place;
use NimbleKnuckle\Core\Quantity\InvalidQuantity;
use NimbleKnuckle\Core\Quantity\Kind;
use NimbleKnuckle\Core\Quantity\Notation;
use NimbleKnuckle\Core\Sum\InvalidInput;
use NimbleKnuckle\Core\Vehicle\Corner;
use NimbleKnuckle\Core\Vehicle\Item;
use NimbleKnuckle\Core\Vehicle\Joint;
use NimbleKnuckle\Core\Vehicle\VehicleSheet;
use Symfony\Component\HttpFoundation\InputBag;

/**
 * Which wheels come off a vehicle and what holds them, asked where a sheet does not say it. What was entered as a wheel and its liner in
 * one becomes the two that it is; a person does that, never a reader.
 */
final readonly class WheelForm
{
    /** What a wheel is held by: the most there are of each. */
    public const KINDS = ['nut' => 10, 'bolt' => 10, 'centre-nut' => 1];
    private const FIELDS = ['w_kind', 'w_count', 'w_thread', 'w_figure', 'w_tool', 'w_key'];

    /**
     * @param list<Item> $items those that are reached through an arch, and no wheel is said to be off for them
     * @param list<string> $corners what their names and sides speak of
     * @param ?Joint $known what was entered of their wheels before
     */
    private function __construct(public array $items, private array $corners, private ?Joint $known)
    {
    }

    /** Null where the sheet says it of all that is reached through an arch. */
    public static function of(VehicleSheet $sheet): ?self
    {
        $open = array_filter(
            $sheet->items, static fn (Item $item): bool => Place::Arch === $item->access->place && !$item->isWheel()
                && !$sheet->knowsTheWheelsBefore($item->id),
        );
        $outer = array_filter($open, static fn (Item $item): bool => [] === array_filter(
            $open, static fn (Item $other): bool => $other !== $item && isset($sheet->allToReach($item->id)[$other->id]),
        ));
        $known = null;
        foreach ($outer as $item) {
            foreach ($sheet->jointsOf($item->id) as $joint) {
                $known ??= str_contains($joint->id.' '.$joint->name, 'wheel') ? $joint : null;
            }
        }

        return [] === $outer ? null : new self(array_values($outer), self::cornersOf($outer), $known);
    }

    /** @return array<string, mixed> what stands in the form before anybody has typed */
    public function begun(): array
    {
        $each = null === $this->known ? 5 : max(1, intdiv($this->known->count(), max(1, count($this->corners))));
        $left = [];
        foreach ($this->items as $item) {
            $left[$item->id] = self::nameWithoutWheel($item->name);
        }

        return [
            'w_corners' => $this->corners, 'w_kind' => str_contains($this->known->name ?? 'nut', 'bolt') ? 'bolt' : 'nut',
            'w_count' => (string) $each, 'w_thread' => $this->known->fastener->thread ?? '',
            'w_figure' => null === $this->known || !$this->known->hasFigure() ? '' : $this->known->stated(),
            'w_tool' => $this->known->tools->on ?? '', 'w_key' => '', 'w_left' => $left,
        ];
    }

    /** What becomes of a joint that held all wheels at once; empty where there is none. */
    public function goes(): string
    {
        return $this->known->name ?? '';
    }

    /**
     * The sheet with its wheels.
     *
     * @param InputBag<string> $form
     *
     * @throws InvalidInput that names the field and the remedy
     */
    public function entered(SheetDocument $sheet, InputBag $form): SheetDocument
    {
        $corners = array_values(array_filter(array_map(
            static fn (mixed $one): ?Corner => is_string($one) ? Corner::tryFrom($one) : null, $form->all('w_corners'),
        )));
        [] !== $corners || throw InvalidInput::in('w_corners', 'Say which wheels come off: tick one, or both of an axle.');
        $holds = $this->holds($form);
        if (null !== $this->known) {
            $sheet = $sheet->without('joints', $this->known->id);
        }
        $wheels = [];
        foreach ($corners as $corner) {
            $name = $corner->label().' wheel';
            $wheels[] = $id = strtr($name, [' ' => '-']);
            $sheet = $sheet->with('items', [
                'id' => $id, 'name' => $name, 'kind' => 'cover', 'place' => 'arch', 'wheel' => $corner->value, 'protects' => 'structure',
                'off' => [2, 3, 5], 'on' => [2, 3, 5],
            ])->with('joints', [
                'id' => $id.'-fasteners', 'role' => Joint::WHEEL, 'item' => $id,
                'name' => $name.' '.self::called($form->getString('w_kind')),
            ] + $holds);
        }
        $left = $form->all('w_left');
        foreach ($this->items as $item) {
            $name = is_string($left[$item->id] ?? null) ? trim($left[$item->id]) : '';
            $sheet = self::behind($sheet, $item->id, $wheels, $name);
        }

        return $sheet;
    }

    /** @return list<string> its fields, by which what was sent along is told from them */
    public static function fields(): array
    {
        return [...self::FIELDS, 'w_corners', 'w_left'];
    }

    /** @param list<string> $wheels ids */
    private static function behind(SheetDocument $sheet, string $item, array $wheels, string $name): SheetDocument
    {
        $list = array_map(static function (mixed $thing) use ($item, $wheels, $name): mixed {
            if (!is_array($thing) || ($thing['id'] ?? null) !== $item) {
                return $thing;
            }
            $was = array_filter(is_array($thing['behind'] ?? null) ? $thing['behind'] : [], is_string(...));
            $behind = array_values(array_unique([...$wheels, ...$was]));

            return ['behind' => $behind] + ('' === $name ? [] : ['name' => mb_substr($name, 0, 120)]) + $thing;
        }, $sheet->list('items'));

        return $sheet->set('items', $list);
    }

    /**
     * @param InputBag<string> $form
     *
     * @return array<string, mixed>
     */
    private function holds(InputBag $form): array
    {
        $kind = $form->getString('w_kind');
        $most = self::KINDS[$kind] ?? throw InvalidInput::in('w_kind', 'Say what holds it: nuts, bolts or one centre nut.');
        $count = trim($form->getString('w_count'));
        $least = 1 === $most ? 1 : 3;
        1 === preg_match('/\A\d{1,2}\z/', $count) && (int) $count >= $least && (int) $count <= $most || throw InvalidInput::in(
            'w_count', 1 === $most ? 'A centre nut is one.' : sprintf('How many on a wheel: a number from %d to %d.', $least, $most),
        );
        $thread = trim($form->getString('w_thread'));
        '' !== $thread || throw InvalidInput::in('w_thread', 'Thread: read it off one, for example M12x1.5.');
        $figure = trim($form->getString('w_figure'));
        '' !== $figure || throw InvalidInput::in(
            'w_figure', 'Figure: the vehicle maker’s or the wheel maker’s, for example 110 N·m. None is estimated for a wheel.',
        );
        try {
            Notation::readStated(Kind::Torque, $figure);
        } catch (InvalidQuantity $e) {
            throw InvalidInput::in('w_figure', 'Figure: '.lcfirst($e->getMessage()));
        }

        return array_filter([
            'kind' => $kind, 'layout' => 'ring '.$count, 'thread' => Thread::parse($thread)->name, 'figure' => $figure,
            'origin' => 'makers', 'check' => true, 'tool' => trim($form->getString('w_tool')), 'key' => trim($form->getString('w_key')),
        ], static fn (mixed $one): bool => '' !== $one);
    }

    private static function called(string $kind): string
    {
        return ['bolt' => 'bolts', 'centre-nut' => 'centre nut'][$kind] ?? 'nuts';
    }

    /**
     * @param array<Item> $items
     *
     * @return list<string>
     */
    private static function cornersOf(array $items): array
    {
        $said = mb_strtolower(implode(' ', array_map(
            static fn (Item $item): string => $item->name.' '.$item->access->side->value, $items,
        )));
        $axle = str_contains($said, 'rear') ? 'r' : 'f';
        $sides = array_filter(['l' => str_contains($said, 'left'), 'r' => str_contains($said, 'right')]);
        $isBoth = [] === $sides && str_contains($said, 'wheels');

        return array_map(static fn (string $side): string => $axle.$side, $isBoth ? ['l', 'r'] : array_keys($sides));
    }

    /** “right wheel and its liner”: what is left of it is the liner. */
    private static function nameWithoutWheel(string $name): string
    {
        $left = trim((string) preg_replace('~\bwheels?\b(?!\s?arch)|\b(?:and|with)\s+(?:its|their)\b|\band\b~iu', ' ', $name));

        return trim((string) preg_replace('/\s+/u', ' ', $left));
    }
}
