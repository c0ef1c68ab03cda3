<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Planning;

use NimbleKnuckle\App\Fits\FitRecord;
use NimbleKnuckle\App\Garage\VehicleRecord;
use NimbleKnuckle\Core\Document\Node;
use NimbleKnuckle\Core\Vehicle\VehicleOne;
use NimbleKnuckle\Core\Vehicle\VehicleSheet;

/** Figures that were corrected on the vehicle sheet since a fit was planned: it keeps its own until a person takes them over. */
final readonly class Corrected
{
    /** @param array<string, array{name: string, was: string, is: string}> $joints by their id, those whose figure is another now */
    private function __construct(public array $joints, private VehicleRecord $vehicle)
    {
    }

    public static function since(FitRecord $fit, VehicleRecord $vehicle): self
    {
        $was = VehicleSheet::read(Node::of($fit->vehicleDocument));
        $joints = [];
        foreach ($vehicle->sheet()->joints as $id => $joint) {
            $old = $was->joints[$id] ?? null;
            if (null !== $old && $old->count() === $joint->count() && $old->whole() !== $joint->whole()) {
                $joints[$id] = ['name' => $joint->name, 'was' => $old->whole() ?: 'no figure', 'is' => $joint->whole() ?: 'no figure'];
            }
        }

        return new self($joints, $vehicle);
    }

    /**
     * The vehicle of the fit with these joints as they stand on its sheet now.
     *
     * @param array<array-key, mixed> $document of the fit
     * @param list<string> $taken ids
     *
     * @return array<array-key, mixed> nimble-knuckle/vehicle@2
     */
    public function onto(array $document, array $taken): array
    {
        $taken = array_intersect_key(array_flip($taken), $this->joints);
        if ([] === $taken) {
            return $document;
        }
        $now = [];
        foreach (self::joints($this->vehicle->today()) as $joint) {
            $now[is_string($joint['id'] ?? null) ? $joint['id'] : ''] = $joint;
        }
        $two = VehicleOne::asTwo($document);

        return ['joints' => array_map(static function (array $joint) use ($now, $taken): array {
            $id = is_string($joint['id'] ?? null) ? $joint['id'] : '';

            return isset($taken[$id]) ? $now[$id] ?? $joint : $joint;
        }, self::joints($two))] + $two;
    }

    /**
     * @param array<array-key, mixed> $document
     *
     * @return list<array<array-key, mixed>>
     */
    private static function joints(array $document): array
    {
        return array_values(array_filter(is_array($document['joints'] ?? null) ? $document['joints'] : [], is_array(...)));
    }
}
