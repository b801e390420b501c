<?php
/* One notice: the pages were to be made from these, and then the summer came. */
$kinds = array('calm' => '#2e6f4e', 'alarm' => '#a32a1c', 'plain' => '#e0a526');
$edge = isset($kinds[$kind]) ? $kinds[$kind] : '#e0a526';
?>
<article class="notice <?php echo $kind; ?>" style="border-left-color: <?php echo $edge ?: '#e0a526'; ?>">
  <h3 <?php if ($kind === 'alarm') { ?>style="color: #a22b1d"<?php } ?>><?php echo $title; ?></h3>
  <?php echo $words; ?>
  <?php if ($new) { echo '<span class="badge" style="background:#c0392b">new</span>'; } ?>
  <time><?php echo $day; ?></time>
</article>
