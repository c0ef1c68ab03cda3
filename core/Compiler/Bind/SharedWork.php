<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Compiler\Bind;

use NimbleKnuckle\Core\Procedure\Choices;
use NimbleKnuckle\Core\Procedure\Procedure;
use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Procedure\UnplannableFit;
use NimbleKnuckle\Core\Vehicle\VehicleSheet;

/** What jobs planned together do once for several of them. */
final readonly class SharedWork
{
    /**
     * @param list<Procedure> $jobs
     *
     * @return array<string, list<string>> job => the titles of what it shares with another, in the order they are done
     *
     * @throws UnplannableFit
     */
    public static function of(array $jobs, Choices $choices, VehicleSheet $vehicle): array
    {
        $resolved = (new Resolve())->of($jobs, $choices, $vehicle);
        $shared = array_fill_keys(array_keys($resolved->chains), []);
        foreach ($resolved->bound as $bound) {
            $operation = $bound->operation;
            $sharing = array_filter($resolved->chains, static fn (array $line): bool => in_array($operation->id, $line, true));
            $isWork = StepKind::Rebuild !== $operation->deed;
            foreach ($isWork && count($sharing) > 1 ? array_keys($sharing) : [] as $job) {
                $name = $vehicle->items[$bound->item]->name ?? $vehicle->joints[$bound->joint]->name ?? '';
                $shared[$job][] = '' === $operation->words->title
                    ? ucfirst(trim(str_replace('-', ' ', $operation->deed->value).' '.$name))
                    : $operation->words->title;
            }
        }

        return $shared;
    }
}
