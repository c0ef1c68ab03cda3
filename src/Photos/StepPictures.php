<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Photos;

use NimbleKnuckle\Core\Procedure\PictureRequest;

/** Pictures of this step, how it was before, the one that is wanted, and the drawn ones to practise with. */
final readonly class StepPictures
{
    /**
     * @param list<PhotoView> $own
     * @param list<PhotoView> $was
     * @param string $usual what a picture taken here usually shows; empty for none of them
     * @param int $all how many the fit has
     * @param array<string, string> $samples name => what it shows; none outside a demo
     */
    public function __construct(
        public array $own,
        public array $was,
        public ?PictureRequest $wanted,
        public string $usual,
        public int $all,
        public array $samples,
    ) {
    }
}
