<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Photos;

use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Bench\Photo\Pictures;
use NimbleKnuckle\Core\Procedure\PictureRequest;
use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Sheet\Step;

/** What the bench shows of pictures at one step. */
final readonly class BenchPictures
{
    public function __construct(private SamplePictures $samples)
    {
    }

    public function of(Fit $fit, string $fitId, Step $step): Pictured
    {
        $pictures = new Pictures($fit);
        $wanted = $pictures->wanted($step);
        $usual = $wanted ?? match ($step->deed) {
            StepKind::Remove, StepKind::Undo => PictureRequest::Before,
            StepKind::Refit, StepKind::Tighten => PictureRequest::After,
            default => null,
        };

        return new Pictured(new StepPictures(
            PhotoView::all($fit, $fitId, $pictures->of($step)), PhotoView::all($fit, $fitId, $pictures->asItWas($step)), $wanted,
            $usual->value ?? '', count($fit->state->photos), $this->samples->offered(),
        ));
    }
}
