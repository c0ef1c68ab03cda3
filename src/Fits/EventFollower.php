<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Fits;

use NimbleKnuckle\Core\Bench\Event\FitEvent;
use NimbleKnuckle\Core\Bench\Fit;
use Symfony\Component\DependencyInjection\Attribute\AutoconfigureTag;

/** Keeps books of its own by what happens to a fit: in the same transaction, so that both are kept or neither. */
#[AutoconfigureTag(self::TAG)]
interface EventFollower
{
    public const TAG = 'app.event_follower';

    public function afterEvent(FitRecord $record, Fit $fit, FitEvent $event): void;
}
