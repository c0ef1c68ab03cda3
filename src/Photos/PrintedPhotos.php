<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Photos;

use NimbleKnuckle\Core\Bench\Event\FitEvent;
use NimbleKnuckle\Core\Bench\Fit;
use Twig\Environment;

/** Pictures for paper: small enough for it, with what is drawn on them as a picture of its own to lay over. */
final readonly class PrintedPhotos
{
    /** More would make a record nobody prints. */
    private const MOST = 40;

    public function __construct(private PhotoFiles $files, private Environment $twig)
    {
    }

    /**
     * @param bool $told only those that say what they are: before, after, proof, or with words of their own
     *
     * @return list<array{photo: PhotoView, jpeg: string, marks: string, high: int}> as data addresses; the height of a width of 300
     */
    public function of(Fit $fit, string $fitId, bool $told = false): array
    {
        $printed = [];
        foreach ($fit->state->photos as $event) {
            if ($told && '' === $event->string('shot').$event->string('text') || count($printed) >= self::MOST) {
                continue;
            }
            $path = $this->files->small($event->string('hash'));
            null === $path || $printed[] = $this->one(PhotoView::of($fit, $fitId, $event), $path, $event);
        }

        return $printed;
    }

    /** @return array{photo: PhotoView, jpeg: string, marks: string, high: int} */
    private function one(PhotoView $photo, string $path, FitEvent $event): array
    {
        $svg = [] === $photo->marks ? '' : $this->twig->render('photos/marks.svg.twig', ['photo' => $photo]);

        return [
            'photo' => $photo, 'jpeg' => 'data:image/jpeg;base64,'.base64_encode((string) file_get_contents($path)),
            'marks' => '' === $svg ? '' : 'data:image/svg+xml;base64,'.base64_encode($svg),
            'high' => (int) round(300 * $event->int('height') / max(1, $event->int('width'))),
        ];
    }
}
