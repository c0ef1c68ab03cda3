<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Garage;

use NimbleKnuckle\Core\Sum\InvalidInput;
use NimbleKnuckle\Core\Vehicle\ShorthandLine;

/** A vehicle sheet as its document, changed one thing at a time. */
final readonly class SheetDocument
{
    public const KINDS = ['item' => 'items', 'joint' => 'joints', 'circuit' => 'circuits', 'limit' => 'limits'];
    /** What a form says by leaving it empty: it is not taken over from before. */
    private const SAID_BY_NOTHING = [
        'role', 'behind', 'side', 'tray', 'carries', 'wet', 'hazards', 'remove_note', 'refit_note', 'note', 'drain_behind',
    ];
    /** The same, where the form has that field at all: key of the sheet => field of the form. */
    private const SAID_BY_EMPTY_FIELD = [
        'dated' => 'dated', 'lengths' => 'lengths', 'longest' => 'longest', 'grip' => 'shank', 'adapter' => 'adapter', 'swing' => 'swing',
        'opens' => 'opens', 'marks' => 'marks', 'every_km' => 'every_km', 'every_months' => 'every_months',
        'heights' => 'height_radiator', 'family' => 'family', 'warmest' => 'warmest', 'level' => 'level',
        'ends' => 'ends', 'acts' => 'acts', 'measures' => 'measures', 'cautions' => 'cautions', 'between' => 'between', 'tie' => 'between',
        'slack' => 'between', 'protects' => 'protects', 'mass' => 'mass', 'wheel' => 'wheel', 'stance' => 'stance',
        'places' => 'places', 'key' => 'key',
    ];

    /** @param array<array-key, mixed> $document nimble-knuckle/vehicle@2 */
    public function __construct(public array $document)
    {
    }

    /** @return list<mixed> */
    public function list(string $key): array
    {
        return is_array($this->document[$key] ?? null) ? array_values($this->document[$key]) : [];
    }

    /** @return array<string, string> id => name */
    public function names(string $key): array
    {
        $names = [];
        foreach ($this->list($key) as $thing) {
            if (is_array($thing) && is_string($thing['id'] ?? null) && is_string($thing['name'] ?? null)) {
                $names[$thing['id']] = $thing['name'];
            }
        }

        return $names;
    }

    /** @return array<array-key, mixed>|null limits go by their place in the list */
    public function thing(string $key, string $id): ?array
    {
        foreach ($this->list($key) as $i => $thing) {
            if (is_array($thing) && ('limits' === $key ? (string) $i : $thing['id'] ?? null) === $id) {
                return $thing;
            }
        }

        return null;
    }

    /**
     * A thing entered, or in place of the one with its id; what the form cannot say is kept.
     *
     * @param array<array-key, mixed> $thing
     * @param list<string> $fields the form had
     */
    public function with(string $key, array $thing, array $fields = []): self
    {
        $list = $this->list($key);
        $id = is_string($thing['id'] ?? null) ? $thing['id'] : '';
        foreach ($list as $i => $old) {
            if (is_array($old) && ($old['id'] ?? null) === $id) {
                $list[$i] = self::over($key, $old, $thing, $fields);

                return $this->set($key, $list)->checked($key, $id);
            }
        }

        return $this->set($key, [...$list, $thing]);
    }

    /** @param list<mixed> $list */
    public function set(string $key, array $list): self
    {
        return new self([$key => array_values($list)] + $this->document);
    }

    /** Somebody has seen it on this vehicle. */
    public function checked(string $key, string $id): self
    {
        $left = array_values(array_filter($this->list('to_check'), static fn (mixed $one): bool => $one !== $key.'.'.$id));

        return new self((isset($this->document['to_check']) ? ['to_check' => $left] : []) + $this->document);
    }

    public function without(string $key, string $id): self
    {
        if ('limits' === $key) {
            return $this->set($key, array_values(array_diff_key($this->list($key), [(int) $id => true])));
        }
        $rest = 'items' === $key ? $this->unnamed($id) : $this;
        $left = array_filter($rest->list($key), static fn (mixed $thing): bool => !is_array($thing) || ($thing['id'] ?? null) !== $id);

        return $rest->set($key, array_values($left))->checked($key, $id);
    }

    /** An item that goes lies in front of nothing any more. */
    private function unnamed(string $id): self
    {
        foreach ($this->list('joints') as $joint) {
            is_array($joint) && ($joint['item'] ?? null) === $id && throw InvalidInput::in(
                'id', 'A joint still belongs to it: take the joint away first.',
            );
        }
        $document = $this->document;
        foreach (['items' => 'behind', 'circuits' => 'drain_behind'] as $key => $field) {
            $document[$key] = array_map(static function (mixed $thing) use ($field, $id): mixed {
                $named = is_array($thing) ? $thing[$field] ?? null : null;

                return is_array($thing) && is_array($named)
                    ? [$field => array_values(array_filter($named, static fn (mixed $one): bool => $one !== $id))] + $thing
                    : $thing;
            }, $this->list($key));
        }

        return new self($document);
    }

    /**
     * @param array<array-key, mixed> $old
     * @param array<array-key, mixed> $new
     * @param list<string> $fields
     *
     * @return array<array-key, mixed>
     */
    private static function over(string $key, array $old, array $new, array $fields): array
    {
        $kept = array_diff_key(
            $old, array_flip(self::SAID_BY_NOTHING), array_intersect(self::SAID_BY_EMPTY_FIELD, $fields),
        );
        if (isset($new['grip'], $old['grip']) && is_array($new['grip']) && is_array($old['grip'])) {
            $new['grip'] += array_diff_key($old['grip'], ['shank' => true, 'threaded' => true]);
        }

        foreach (['behind', 'drain_behind'] as $set) {
            $was = array_filter(is_array($old[$set] ?? null) ? $old[$set] : [], is_string(...));
            $now = array_filter(is_array($new[$set] ?? null) ? $new[$set] : [], is_string(...));
            // Ticked boxes come in the order of the sheet: where they are the same ones, nothing was changed.
            $new = [] === array_diff($was, $now) && [] === array_diff($now, $was) && [] !== $was ? [$set => $was] + $new : $new;
        }

        return 'joints' === $key ? ShorthandLine::over($kept, $new) : $new + $kept;
    }
}
