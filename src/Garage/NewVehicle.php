<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Garage;

use NimbleKnuckle\Core\Sum\InvalidInput;
use NimbleKnuckle\Core\Vehicle\ItemList;
use NimbleKnuckle\Core\Vehicle\VehicleSheet;

/** A vehicle entered: empty, from what it is like, or as a copy of one there is. What it takes over has still to be checked. */
final readonly class NewVehicle
{
    public function __construct(private Garage $garage, private StarterShelf $starters)
    {
    }

    /**
     * @param string $like empty, “starter:…” or “vehicle:…”
     *
     * @throws InvalidInput that names the field and the remedy
     */
    public function enter(string $name, string $like): VehicleRecord
    {
        $id = ItemList::id($name);
        '' !== $id && mb_strlen($name) <= 120 || throw InvalidInput::in('name', 'Give the vehicle a name of letters and digits.');
        if ($this->garage->has($id)) {
            $isAway = $this->garage->get($id)->archived;
            throw InvalidInput::in('name', sprintf(
                '“%s” is entered already%s: give this one a name of its own.', $name, $isAway ? ' and archived' : '',
            ));
        }
        $begun = $this->begun($like);

        return $this->garage->keep(
            ['format' => VehicleSheet::FORMAT, 'id' => $id, 'name' => $name, 'short' => mb_substr($name, 0, 60)]
            + ([] === $begun ? [] : ['to_check' => self::all($begun)]) + array_diff_key($begun, ['to_check' => true]),
        );
    }

    /** @return array<array-key, mixed> */
    private function begun(string $like): array
    {
        [$kind, $id] = explode(':', $like, 2) + [1 => ''];

        return match (true) {
            '' === $like => [],
            'vehicle' === $kind && $this->garage->has($id) => $this->garage->get($id)->today(),
            default => ('starter' === $kind ? $this->starters->document($id) : null) ?? throw InvalidInput::in(
                'like', 'There is no such vehicle to begin from: choose one of the list.',
            ),
        };
    }

    /**
     * @param array<array-key, mixed> $document
     *
     * @return list<string>
     */
    private static function all(array $document): array
    {
        $sheet = new SheetDocument($document);
        $all = [];
        foreach (['items', 'joints', 'circuits'] as $key) {
            foreach ($sheet->list($key) as $thing) {
                if (is_array($thing) && is_string($thing['id'] ?? null)) {
                    $all[] = $key.'.'.$thing['id'];
                }
            }
        }

        return $all;
    }
}
